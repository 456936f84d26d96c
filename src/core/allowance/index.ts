export * from './settle';
export * from './round';
export * from './inWords';
export * from './terms';
export * from './usualAllowance';
export * from './roundChosen';
export * from './readFee';

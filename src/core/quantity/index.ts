export * from './parseQuantity';
export * from './readAddLine';
export * from './readPasted';
export * from './typedAmounts';
export * from './typedTerms';

export * from './copiedParts';
export * from './copiedTable';
export * from './readPasted';

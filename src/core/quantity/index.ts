export * from './parseQuantity';
export * from './readAddLine';
export * from './typedAmounts';
export * from './typedTerms';

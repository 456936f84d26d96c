export * from './parseQuantity';
export * from './readAddLine';

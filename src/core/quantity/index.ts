export * from './parseQuantity';

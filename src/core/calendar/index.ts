export * from './days';
export * from './businessDate';

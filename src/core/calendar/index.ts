export * from './days';
export * from './businessDate';
export * from './typedDay';

export * from './schedule';
export * from './spreadChange';

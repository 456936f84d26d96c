export * from './reckon';
export * from './viewOf';

export * from './reckon';
export * from './taxIn';
export * from './viewOf';

export * from './measures';
export * from './readTraced';
export { meetsItself, placeIn, samePoint, withoutRepeats } from './figures';
export * from './labelPlace';

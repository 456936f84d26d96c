export type { End, Range } from './range';
export { rangeOf } from './range';
export * from './limits';

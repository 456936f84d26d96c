export type { Step } from './line';
export { whyLine } from './line';
export { whyTotal } from './total';
export * from './onOrder';

export * from './groups';
export * from './resilience';
export * from './byCostType';
export * from './cashCurve';
export * from './jobCost';
export type { CostRow } from './jobGroups';
export * from './cashFacts';
export * from './winning';
export * from './offered';

export * from './groups';
export * from './resilience';
export * from './cashCurve';

export * from './groups';
export * from './resilience';

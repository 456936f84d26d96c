export * from './cells';
export * from './ownLoads';
export * from './fields';
export * from './readItem';
export * from './plan';
export * from './areas';
export * from './raise';
export * from './costs';

export * from './fixed';
export * from './allocate';
export * from './currency';
export * from './display';
export * from './ratio';
export * from './money';

export * from './customerView';
export * from './compare';
export * from './checkDocument';
export * from './figuresReport';

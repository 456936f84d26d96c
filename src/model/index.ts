export * from './scalars';
export * from './units';
export * from './document';
export * from './choices';
export * from './customerView';
export * from './problem';
export * from './inputs';
export * from './library';

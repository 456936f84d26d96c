export * from './find';
export * from './operations';
export * from './pointer';
export * from './lineFromItem';

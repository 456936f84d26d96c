export * from './tree';
export * from './value';
export * from './read';
export * from './evaluate';
export * from './quantity';
export * from './reserved';

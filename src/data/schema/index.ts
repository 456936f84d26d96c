export * from './accounts';
export * from './customers';
export * from './library';
export * from './proposals';
export * from './agreements';
export * from './money';
export * from './changes';
export * from './files';

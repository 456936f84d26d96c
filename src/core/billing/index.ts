export * from './draws';
export * from './standing';
export * from './billedLines';

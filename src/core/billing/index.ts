export * from './draws';
export * from './standing';

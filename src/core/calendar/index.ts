export * from './days';

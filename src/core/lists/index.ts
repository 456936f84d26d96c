export * from './listState';

export * from './freeze';

export * from './settle';

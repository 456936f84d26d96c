export * from './schedule';

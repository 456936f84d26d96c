export * from './decided';
export * from './difference';

export * from './freeze';
export * from './effect';
export * from './omission';

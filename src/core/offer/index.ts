export * from './customerView';
export { offerOf } from './offerOf';
export * from './compare';
export * from './compareDocuments';
export * from './checkDocument';
export * from './figuresReport';
export * from './choicesReport';
export { filesOf, filesOfRound } from './filesOf';
export * from './targetReport';

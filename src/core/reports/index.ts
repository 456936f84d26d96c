export * from './moneyReports';
export * from './reportTable';
export * from './reportedJob';
export * from './commission';

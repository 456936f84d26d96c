export * from './schedule';
export * from './spreadChange';
export * from './depositLimits';
export * from './coolingOff';
export * from './whenToBill';
export * from './scheduleEdits';

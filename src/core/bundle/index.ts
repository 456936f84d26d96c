export * from './inputs';
export * from './size';
export * from './trial';
export * from './saveBack';
export * from './shortName';
export * from './recipe';
export * from './offeredFormulas';
export * from './onThisJob';

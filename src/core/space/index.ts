export * from './exactFeet';
export * from './outline';
export * from './surroundings';
export * from './newSpace';
export * from './roomSpace';
export * from './spaceInWords';
export * from './measuring';

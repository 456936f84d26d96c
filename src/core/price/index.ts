export * from './cost';
export * from './figures';
export type { LineFigures } from './line';
export { loadFactors } from './loads';
export type { SectionFigures, SectionLine } from './section';

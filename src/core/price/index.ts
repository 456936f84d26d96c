export * from './cost';
export * from './figures';
export type { LineFigures } from './line';
export { loadFactors } from './loads';
export type { Pricing } from './pricing';
export { pricingOf } from './pricing';
export type { BundleFigures, SectionFigures, SectionLine } from './section';
export { perSquareFoot } from './section';
export * from './crew';

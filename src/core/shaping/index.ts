export type { Goal, Target } from './goal';
export { TargetError } from './goal';
export type { FreeLine, Spread } from './free';
export { costPrice, freeLines } from './free';
export type { Ask, PriceMove, Shaped } from './shape';
export { shapePrices } from './shape';
export { withPrices } from './prices';

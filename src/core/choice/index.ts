export * from './decided';
export * from './answers';
export * from './difference';
export * from './differencesBy';
export * from './inWords';
export { menuOf } from './menu';
export type { Piece, Variant } from './pieces';
export { offeredQuantity, piecesOf, withinLevels } from './pieces';
export * from './rules';

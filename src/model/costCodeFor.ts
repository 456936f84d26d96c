import type { CostCodes } from './costCodes';

/** The code an item of a trade comes with: its own, else that of its trade. No schema comes along to a page. */
export const costCodeFor = (own: string, trade: string, { byTrade }: Pick<CostCodes, 'byTrade'>): string =>
  own.trim() !== '' ? own : Object.hasOwn(byTrade, trade) ? byTrade[trade]! : '';

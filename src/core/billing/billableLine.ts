import type { Amount } from '../number';

/** An agreed line as billing sees it; taxes in the order of the agreement's components. */
export interface BillableLine {
  readonly id: string;
  readonly net: Amount;
  readonly taxes: readonly Amount[];
}

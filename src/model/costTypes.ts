import type { CostType } from './scalars';

/* Without a schema, so that what only names them carries no schema builder to the browser. */

/** What a cost is for, in the order it is shown. */
export const costTypes: readonly CostType[] = ['material', 'labour', 'equipment', 'subcontract', 'other'];

/** Cost types whose amounts a percentage can move; labor moves by its rate. */
export const raisableTypes = ['material', 'equipment', 'subcontract', 'other'] as const;

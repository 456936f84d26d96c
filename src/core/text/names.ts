import type { CostType, PaymentMethod } from '@/model';
import { paymentMethods } from '@/model/paymentMethods';

/* Keys of published formats are spelled as they were first published; people read the names. */

const costTypeNames: Readonly<Record<CostType, string>> = {
  material: 'material',
  labour: 'labor',
  equipment: 'equipment',
  subcontract: 'subcontract',
  other: 'other',
};

/** What people read for a cost type, in small letters: `labour` → “labor”. */
export const costTypeName = (type: CostType): string => costTypeNames[type];

/** What people read for a payment that is gone, or stands again after a dispute that was won. */
export const reversalName = (kind: 'returned' | 'void', reinstated: boolean): string =>
  reinstated ? 'Payment reinstated' : kind === 'void' ? 'Payment void' : 'Payment returned';

/** What people read for a way of paying, in small letters: `cheque` → “check”. */
export const methodName = (method: PaymentMethod): string => paymentMethods[method];

/** How money came or went, as the company calls it: a name of its own as it stands, a usual one in small letters. */
export const wayOf = (row: { readonly method: PaymentMethod; readonly methodName: string | null }): string =>
  row.methodName ?? methodName(row.method);

import { batchListSource } from '@/data/billing/batchListSource';
import type { ListSpec } from '@/core/lists';
import { allow } from '../actor';
import type { DeskList } from '../lists/deskList';

/** A batch for the accountant, with how much of each kind is in it. */
interface StoredBatch {
  readonly id: string;
  readonly number: number;
  readonly from: string;
  readonly to: string;
  /** Invoices and credit notes. */
  readonly invoice: number;
  readonly payment: number;
  /** Payments returned or void. */
  readonly reversal: number;
  readonly refund: number;
  readonly madeAt: Date | string;
  readonly by: string;
}

export interface BatchListRow extends Omit<StoredBatch, 'madeAt'> {
  /** An instant as ISO 8601 text. */
  readonly madeAt: string;
}

const spec: ListSpec = {
  name: 'batches',
  columns: [
    { key: 'number', title: 'Batch', kind: 'count' },
    { key: 'from', title: 'First day', kind: 'date' },
    { key: 'to', title: 'Last day', kind: 'date' },
    { key: 'invoice', title: 'Invoices', kind: 'count', total: true },
    { key: 'payment', title: 'Payments', kind: 'count', total: true },
    { key: 'reversal', title: 'Returned or void', kind: 'count', total: true },
    { key: 'refund', title: 'Refunds', kind: 'count', total: true },
    { key: 'madeAt', title: 'Made', kind: 'date' },
    { key: 'by', title: 'By', kind: 'text', shown: false },
    { key: 'files', title: 'Files', kind: 'text', unsorted: true },
  ],
  filters: [
    { key: 'to', label: 'Last day', kind: 'days' },
    { key: 'madeAt', label: 'Made', kind: 'days' },
  ],
  sort: { by: 'number', down: true },
};

/** The batches made so far. For owner and office. */
export const batchList: DeskList<StoredBatch, BatchListRow> = {
  spec: ({ actor }) => {
    allow(actor, 'money');
    return spec;
  },
  source: ({ timeZone }) => batchListSource(timeZone),
  finish: async (_, rows) =>
    rows.map(({ madeAt, ...row }) => ({ ...row, madeAt: new Date(madeAt).toISOString() })),
};

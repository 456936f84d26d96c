import { findPeople } from '@/data/accounts/user';
import { findActs } from '@/data/history/acts';
import { historyListSource } from '@/data/history/historyListSource';
import type { ListSpec } from '@/core/lists';
import { allow } from '../actor';
import type { DeskList } from '../lists/deskList';
import { changesInWords } from './changesInWords';

/** An act as the record has it. */
interface StoredAct {
  readonly id: string;
  readonly at: Date | string;
  /** Empty: a customer, or the server by itself. */
  readonly who: string;
  readonly act: string;
  readonly about: string;
  readonly subject: string;
  readonly kind: 'agreement' | 'proposal' | 'customer' | 'invoice' | 'item' | 'bundle' | null;
  readonly detail: Readonly<Record<string, unknown>>;
}

export interface HistoryRow extends Omit<StoredAct, 'at' | 'detail'> {
  /** An instant as ISO 8601 text. */
  readonly at: string;
  /** What changed, from what to what, or what else is known of it. */
  readonly says: readonly string[];
}

const spec = (
  people: readonly { readonly id: string; readonly name: string }[],
  acts: readonly string[],
): ListSpec => ({
  name: 'history',
  columns: [
    { key: 'at', title: 'When', kind: 'date' },
    { key: 'who', title: 'Who', kind: 'text' },
    { key: 'act', title: 'What', kind: 'text' },
    { key: 'about', title: 'Of', kind: 'text' },
    { key: 'says', title: 'How', kind: 'text', unsorted: true },
  ],
  filters: [
    {
      key: 'who',
      label: 'Who',
      kind: 'choice',
      options: people.map(({ id, name }) => ({ value: id, label: name })),
    },
    { key: 'act', label: 'What', kind: 'choice', options: acts.map((act) => ({ value: act, label: act })) },
    { key: 'at', label: 'When', kind: 'days' },
    { key: 'of', label: 'Of one thing only', kind: 'thing' },
  ],
  sort: { by: 'at', down: true },
});

/** Who did what, when, for who may change settings. */
export const historyList: DeskList<StoredAct, HistoryRow> = {
  spec: async ({ actor, tx }) => {
    allow(actor, 'settings');
    return spec(await findPeople(tx), await findActs(tx));
  },
  source: ({ timeZone }) => historyListSource({ timeZone }),
  finish: async (_, rows) =>
    rows.map(({ at, detail, ...row }) => ({
      ...row,
      at: new Date(at).toISOString(),
      says: changesInWords(detail),
    })),
};

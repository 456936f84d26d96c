import { costTypeName } from '@/core/text/names';
import { libraryListSource } from '@/data/library/libraryListSource';
import { tradesOf } from '@/data/library/trades';
import type { ListSpec } from '@/core/lists';
import type { CostType, UnitCode } from '@/model';
import { costTypes } from '@/model';
import { allow } from '../actor';
import type { DeskList } from '../lists/deskList';
import { capital } from '@/core/text/capital';

/** An item or a bundle as the list of the library shows it. */
export interface LibraryListRow {
  readonly id: string;
  readonly kind: 'item' | 'bundle';
  readonly code: string;
  readonly name: string;
  readonly trade: string;
  readonly tags: readonly string[];
  /** What an item is made of. */
  readonly of: readonly CostType[] | null;
  readonly unit: UnitCode | null;
  /** Cost of one unit of an item, as decimal text. */
  readonly unitCost: string | null;
  /** What a bundle asks for. */
  readonly inputs: readonly string[] | null;
  readonly parts: number | null;
  readonly grades: readonly string[] | null;
  readonly starred: boolean;
  readonly retired: boolean;
}

const spec = (trades: readonly { trade: string; items: number; bundles: number }[]): ListSpec => ({
  name: 'library',
  columns: [
    { key: 'code', title: 'Code', kind: 'text' },
    { key: 'name', title: 'Name', kind: 'text' },
    { key: 'trade', title: 'Trade', kind: 'text' },
    { key: 'kind', title: 'Kind', kind: 'text', shown: false },
    { key: 'of', title: 'Made of', kind: 'text', unsorted: true },
    { key: 'tags', title: 'Tags', kind: 'text', shown: false, unsorted: true },
    { key: 'unit', title: 'Unit', kind: 'text' },
    { key: 'unitCost', title: 'Unit cost', kind: 'amount' },
    { key: 'starred', title: 'At hand', kind: 'count' },
  ],
  filters: [
    {
      key: 'kind',
      label: 'Kind',
      kind: 'choice',
      options: [
        { value: 'item', label: 'Items' },
        { value: 'bundle', label: 'Bundles' },
      ],
    },
    {
      key: 'trade',
      label: 'Trade',
      kind: 'choice',
      options: trades.map(({ trade, items, bundles }) => ({
        value: trade,
        label: `${trade} (${items + bundles})`,
      })),
    },
    {
      key: 'of',
      label: 'Made of',
      kind: 'choice',
      options: costTypes.map((value) => ({ value, label: capital(costTypeName(value)) })),
    },
    {
      key: 'state',
      label: 'In use',
      kind: 'choice',
      options: [
        { value: 'used', label: 'In use' },
        { value: 'retired', label: 'Retired' },
      ],
    },
    {
      key: 'care',
      label: 'To look after',
      kind: 'choice',
      options: [
        { value: 'unused', label: 'Not used in a year' },
        { value: 'old', label: 'Cost older than a year' },
        { value: 'double', label: 'The same name twice' },
      ],
    },
    { key: 'unitCost', label: 'Unit cost', kind: 'amounts' },
    { key: 'starred', label: 'At hand only', kind: 'flag' },
  ],
  // By no column: best first for words, else by trade, bundles first.
  sort: { by: 'order', down: false },
});

/** The library; what is retired is left out unless it is asked for. */
export const libraryList: DeskList<LibraryListRow> = {
  spec: async ({ tx, actor }) => {
    allow(actor, 'cost');
    return spec(await tradesOf(tx));
  },
  source: ({ actor, today }, state) => libraryListSource(actor.userId, today, state),
};

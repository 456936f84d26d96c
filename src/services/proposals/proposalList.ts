import { proposalListSource } from '@/data/proposals/proposalListSource';
import { findPeople } from '@/data/accounts/user';
import type { ListSpec } from '@/core/lists';
import type { ProposalState } from '@/core/offer';
import type { DeskList } from '../lists/deskList';
import { capital } from '@/core/text/capital';

/** A proposal as its list shows it. */
export interface ProposalListRow {
  readonly id: string;
  readonly number: number;
  readonly title: string;
  readonly customer: string;
  readonly customerId: string;
  readonly site: string;
  readonly seller: string;
  readonly state: ProposalState;
  readonly changed: string;
  readonly created: string;
  readonly opened: string | null;
  readonly validUntil: string | null;
  readonly total: string;
}

const states: readonly ProposalState[] = ['draft', 'sent', 'accepted', 'declined', 'lapsed', 'withdrawn'];
const spec = (sellers: readonly { readonly id: string; readonly name: string }[]): ListSpec => ({
  name: 'proposals',
  columns: [
    { key: 'number', title: 'No.', kind: 'count' },
    { key: 'title', title: 'Proposal', kind: 'text' },
    { key: 'customer', title: 'Customer', kind: 'text' },
    { key: 'site', title: 'Site', kind: 'text' },
    { key: 'seller', title: 'Sold by', kind: 'text' },
    { key: 'state', title: 'State', kind: 'state' },
    { key: 'opened', title: 'Opened', kind: 'date' },
    { key: 'validUntil', title: 'Prices hold until', kind: 'date', shown: false },
    { key: 'created', title: 'Begun', kind: 'date', shown: false },
    { key: 'changed', title: 'Last change', kind: 'date' },
    { key: 'total', title: 'Total as suggested', kind: 'amount', total: true },
  ],
  filters: [
    {
      key: 'state',
      label: 'State',
      kind: 'choice',
      options: states.map((value) => ({ value, label: capital(value) })),
    },
    {
      key: 'seller',
      label: 'Sold by',
      kind: 'choice',
      options: sellers.map(({ id, name }) => ({ value: id, label: name })),
    },
    { key: 'changed', label: 'Last change', kind: 'days' },
    { key: 'total', label: 'Total', kind: 'amounts' },
  ],
  sort: { by: 'changed', down: true },
});

/** Proposals; change orders are listed at their agreement. */
export const proposalList: DeskList<ProposalListRow> = {
  spec: async ({ tx }) => spec(await findPeople(tx)),
  source: proposalListSource,
};

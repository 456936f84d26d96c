import { asc, sql } from 'drizzle-orm';
import { user } from '@/data/schema';
import { addressText } from '@/data/words';
import type { ListSpec } from '@/core/lists';
import type { ProposalState } from '@/core/offer';
import type { DeskList } from '../lists/deskList';

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
const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

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
  spec: async ({ tx }) =>
    spec(await tx.select({ id: user.id, name: user.name }).from(user).orderBy(asc(user.name))),
  source: ({ today, timeZone }) => {
    const day = (at: ReturnType<typeof sql>) => sql`to_char(${at} at time zone ${timeZone}, 'YYYY-MM-DD')`;
    const site = addressText(sql`s.address`);
    // As the core's stateToday says; a test holds the two equal.
    const state = sql`case when p.state = 'sent' and p.valid_until < ${today} then 'lapsed' else p.state end`;
    const opened = sql`(select max(l.last_opened_at) from link l
      where l.company_id = p.company_id and l.proposal_id = p.id)`;
    return {
      from: sql`proposal p
        join customer c on c.company_id = p.company_id and c.id = p.customer_id
        join site s on s.company_id = p.company_id and s.id = p.site_id
        join app_user u on u.company_id = p.company_id and u.id = p.seller_id`,
      where: sql`p.agreement_id is null`,
      columns: {
        number: sql`p.number`,
        title: sql`p.title`,
        customer: sql`c.name`,
        site: sql`concat_ws(', ', s.address->>'street', s.address->>'city')`,
        seller: sql`u.name`,
        state,
        opened: day(opened),
        validUntil: sql`p.valid_until`,
        created: day(sql`p.created_at`),
        changed: day(sql`p.updated_at`),
        total: sql`p.total`,
      },
      also: { id: sql`p.id`, customerId: sql`c.id` },
      sortBy: { changed: sql`p.updated_at`, created: sql`p.created_at`, opened },
      words: [sql`p.number::text`, sql`p.title`, sql`c.name`, site],
      filters: {
        state,
        seller: sql`p.seller_id`,
        changed: sql`(p.updated_at at time zone ${timeZone})::date`,
        total: sql`p.total`,
      },
      id: sql`p.id`,
    };
  },
};

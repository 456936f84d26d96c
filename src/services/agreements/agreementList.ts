import { asc, sql } from 'drizzle-orm';
import { loadAgreements } from '@/data/agreements/load';
import { user } from '@/data/schema';
import { addressText } from '@/data/words';
import type { LoadedAgreement } from '@/core/billing';
import { standingAndTrack } from '@/core/billing';
import type { ListSpec } from '@/core/lists';
import type { DeskList } from '../lists/deskList';

interface Raw {
  readonly id: string;
  readonly number: number;
  readonly title: string;
  readonly customer: string;
  readonly customerId: string;
  readonly site: string;
  readonly seller: string | null;
  readonly signed: string;
  readonly sum: string;
  readonly open: string;
  readonly held: string;
}

/** How many agreements are loaded at once. */
const CHUNK = 500;

type Money = ReturnType<typeof standingAndTrack>;

/** An agreement as its list shows it. */
export interface AgreementListRow extends Raw {
  readonly track: Money['track'];
  readonly billed: string;
  readonly paid: string;
  readonly left: string;
}

const spec = (sellers: readonly { readonly id: string; readonly name: string }[]): ListSpec => ({
  name: 'agreements',
  columns: [
    { key: 'number', title: 'No.', kind: 'count' },
    { key: 'title', title: 'Agreement', kind: 'text' },
    { key: 'customer', title: 'Customer', kind: 'text' },
    { key: 'site', title: 'Site', kind: 'text', shown: false },
    { key: 'seller', title: 'Sold by', kind: 'text', shown: false },
    { key: 'signed', title: 'Signed', kind: 'date' },
    { key: 'track', title: 'Track', kind: 'text', unsorted: true },
    { key: 'sum', title: 'Sum to date', kind: 'amount', total: true },
    { key: 'billed', title: 'Billed', kind: 'amount', unsorted: true },
    { key: 'paid', title: 'Paid', kind: 'amount', unsorted: true },
    { key: 'open', title: 'Open', kind: 'amount', total: true },
    { key: 'left', title: 'To bill', kind: 'amount', unsorted: true },
    { key: 'held', title: 'Retainage', kind: 'amount', total: true, shown: false },
  ],
  filters: [
    {
      key: 'show',
      label: 'Progress',
      kind: 'choice',
      options: [
        { value: 'under way', label: 'Under way' },
        { value: 'finished', label: 'Finished' },
      ],
    },
    {
      key: 'seller',
      label: 'Sold by',
      kind: 'choice',
      options: sellers.map(({ id, name }) => ({ value: id, label: name })),
    },
    { key: 'signed', label: 'Signed', kind: 'days' },
    { key: 'sum', label: 'Sum to date', kind: 'amounts' },
  ],
  sort: { by: 'number', down: true },
});

/** Agreements with their standing. What is signed, open and held is summed by the database; the rest is the core's. */
export const agreementList: DeskList<Raw, AgreementListRow> = {
  spec: async ({ tx }) =>
    spec(await tx.select({ id: user.id, name: user.name }).from(user).orderBy(asc(user.name))),
  source: ({ timeZone }) => {
    const sum = sql`(a.total + coalesce((select sum(ch.total) from change_order ch
      where ch.company_id = a.company_id and ch.agreement_id = a.id), 0))`;
    const open = sql`(select coalesce(sum(o.open), 0) from invoice i
      join invoice_open o on o.company_id = i.company_id and o.invoice_id = i.id
      where i.company_id = a.company_id and i.agreement_id = a.id)`;
    // Money that was never asked for, is open, is held, or is on no invoice.
    const underWay = sql`(${sum} <> coalesce(m.billed, 0) or coalesce(m.held, 0) <> 0
      or coalesce(m.credit, 0) <> 0 or ${open} > 0)`;
    const signed = sql`(a.accepted_at at time zone ${timeZone})::date`;
    return {
      from: sql`agreement a
        join customer c on c.company_id = a.company_id and c.id = a.customer_id
        join site s on s.company_id = a.company_id and s.id = a.site_id
        left join proposal p on p.company_id = a.company_id and p.id = a.proposal_id
        left join app_user u on u.company_id = p.company_id and u.id = p.seller_id
        left join agreement_money m on m.company_id = a.company_id and m.agreement_id = a.id`,
      columns: {
        number: sql`a.number`,
        title: sql`a.title`,
        customer: sql`c.name`,
        site: sql`concat_ws(', ', s.address->>'street', s.address->>'city')`,
        seller: sql`u.name`,
        signed: sql`${signed}::text`,
        sum,
        open,
        held: sql`coalesce(m.held, 0)`,
      },
      also: { id: sql`a.id`, customerId: sql`c.id` },
      words: [sql`a.number::text`, sql`a.title`, sql`c.name`, addressText(sql`s.address`)],
      filters: {
        show: (values) =>
          values.length !== 1 ? undefined : values[0] === 'under way' ? underWay : sql`not ${underWay}`,
        seller: sql`p.seller_id`,
        signed,
        sum,
      },
      id: sql`a.id`,
    };
  },
  finish: async ({ tx }, rows) => {
    const loaded: LoadedAgreement[] = [];
    for (let at = 0; at < rows.length; at += CHUNK)
      loaded.push(
        ...(await loadAgreements(
          tx,
          rows.slice(at, at + CHUNK).map(({ id }) => id),
        )),
      );
    return rows.map((row, i) => {
      const { standing, track } = standingAndTrack(loaded[i]!);
      return {
        ...row,
        track,
        billed: standing.billed,
        paid: standing.paid,
        left: standing.leftToBill,
      };
    });
  },
};

import { agreementListSource } from '@/data/agreements/agreementListSource';
import { loadAgreements } from '@/data/agreements/load';
import { findPeople } from '@/data/accounts/user';
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
  spec: async ({ tx }) => spec(await findPeople(tx)),
  source: agreementListSource,
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

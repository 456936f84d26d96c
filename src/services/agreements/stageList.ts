import { stageListSource } from '@/data/agreements/stageListSource';
import { loadAgreements } from '@/data/agreements/load';
import { findPeople } from '@/data/accounts/user';
import type { StageState } from '@/core/billing';
import { isStageLate, stageStates, stageViews } from '@/core/billing';
import type { ListSpec } from '@/core/lists';
import { capital } from '@/core/text/capital';
import type { DeskList } from '../lists/deskList';

interface Raw {
  readonly id: string;
  readonly stage: string;
  readonly number: number;
  readonly agreement: string;
  readonly agreementId: string;
  readonly customer: string;
  readonly customerId: string;
  readonly site: string;
  readonly seller: string | null;
  readonly planned: string | null;
  readonly state: StageState;
  /** As it is reported; of one that is done 100. */
  readonly percent: string | null;
  readonly doneOn: string | null;
  readonly reported: string | null;
  readonly reportedBy: string | null;
  readonly photos: number;
  readonly agreed: string;
}

/** A stage as the list of all stages shows it. */
export interface StageListRow extends Raw {
  /** Planned for a day gone by, and not done. */
  readonly late: boolean;
  /** Of its work, what is left to bill, net. */
  readonly left: string;
  /** Payments that wait for it and are not billed. */
  readonly waiting: readonly { readonly id: string; readonly name: string; readonly left: string }[];
}

/** How many agreements are loaded at once. */
const CHUNK = 500;

const spec = (sellers: readonly { readonly id: string; readonly name: string }[]): ListSpec => ({
  name: 'stages',
  columns: [
    { key: 'stage', title: 'Stage', kind: 'text' },
    { key: 'number', title: 'No.', kind: 'count' },
    { key: 'agreement', title: 'Agreement', kind: 'text' },
    { key: 'customer', title: 'Customer', kind: 'text' },
    { key: 'site', title: 'Site', kind: 'text', shown: false },
    { key: 'seller', title: 'Sold by', kind: 'text', shown: false },
    { key: 'planned', title: 'Planned', kind: 'date' },
    { key: 'state', title: 'State', kind: 'state' },
    { key: 'percent', title: 'Done %', kind: 'count' },
    { key: 'doneOn', title: 'Done on', kind: 'date', shown: false },
    { key: 'reported', title: 'Reported', kind: 'date', shown: false },
    { key: 'reportedBy', title: 'Reported by', kind: 'text', shown: false },
    { key: 'photos', title: 'Photos', kind: 'count' },
    { key: 'agreed', title: 'Work, net', kind: 'amount', total: true },
    { key: 'left', title: 'To bill, net', kind: 'amount', unsorted: true },
  ],
  filters: [
    {
      key: 'state',
      label: 'State',
      kind: 'choice',
      options: [
        ...stageStates.map((value) => ({ value, label: capital(value) })),
        { value: 'late', label: 'Late' },
      ],
    },
    {
      key: 'seller',
      label: 'Sold by',
      kind: 'choice',
      options: sellers.map(({ id, name }) => ({ value: id, label: name })),
    },
    { key: 'planned', label: 'Planned', kind: 'days' },
    { key: 'agreed', label: 'Work, net', kind: 'amounts' },
  ],
  sort: { by: 'number', down: true },
});

/** The stages of all agreements, with what of each is left to bill: that is the core’s. */
export const stageList: DeskList<Raw, StageListRow> = {
  spec: async ({ tx }) => spec(await findPeople(tx)),
  source: stageListSource,
  finish: async ({ tx, today }, rows) => {
    const ids = [...new Set(rows.map(({ agreementId }) => agreementId))];
    const views = new Map<string, ReturnType<typeof stageViews>>();
    for (let at = 0; at < ids.length; at += CHUNK)
      for (const loaded of await loadAgreements(tx, ids.slice(at, at + CHUNK)))
        views.set(loaded.head.id, stageViews(loaded));
    return rows.map((row) => {
      const view = views.get(row.agreementId)!.find(({ name }) => name === row.stage)!;
      const { state, left, waiting } = view;
      return { ...row, state, late: isStageLate(view, today), left, waiting };
    });
  },
};

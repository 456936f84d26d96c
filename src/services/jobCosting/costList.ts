import { costTypeName } from '@/core/text/names';
import { costListSource } from '@/data/jobCosting/costListSource';
import type { ListSpec } from '@/core/lists';
import type { CostType } from '@/model';
import { costTypes } from '@/model';
import { allow } from '../actor';
import type { DeskList } from '../lists/deskList';
import { capital } from '@/core/text/capital';

/** A cost of a job as the list of all costs shows it. */
export interface CostListRow {
  readonly id: string;
  readonly day: string;
  readonly what: string;
  readonly agreement: string;
  readonly agreementId: string;
  readonly customer: string;
  readonly customerId: string;
  /** The line, stage or cost code it is for. */
  readonly for: string;
  readonly costCode: string;
  readonly costType: CostType;
  readonly supplier: string;
  readonly hours: string | null;
  readonly invoice: string | null;
  readonly invoiceId: string | null;
  readonly by: string;
  readonly amount: string;
  /** Taken back, or what takes it back: both stay, and come to nothing. */
  readonly void: boolean;
}

const spec: ListSpec = {
  name: 'costs',
  columns: [
    { key: 'day', title: 'Day', kind: 'date' },
    { key: 'what', title: 'Cost', kind: 'text' },
    { key: 'agreement', title: 'Agreement', kind: 'text' },
    { key: 'customer', title: 'Customer', kind: 'text', shown: false },
    { key: 'for', title: 'For', kind: 'text' },
    { key: 'costCode', title: 'Cost code', kind: 'text', shown: false },
    { key: 'costType', title: 'Type', kind: 'text' },
    { key: 'supplier', title: 'Supplier', kind: 'text' },
    { key: 'hours', title: 'Hours', kind: 'count', shown: false },
    { key: 'invoice', title: 'Invoice', kind: 'text' },
    { key: 'by', title: 'Recorded by', kind: 'text', shown: false },
    { key: 'amount', title: 'Amount', kind: 'amount', total: true },
  ],
  filters: [
    {
      key: 'costType',
      label: 'Type',
      kind: 'choice',
      options: costTypes.map((value) => ({ value, label: capital(costTypeName(value)) })),
    },
    {
      key: 'billed',
      label: 'Billed with',
      kind: 'choice',
      options: [
        { value: 'billed', label: 'On an invoice' },
        { value: 'open', label: 'On no invoice' },
      ],
    },
    {
      key: 'void',
      label: 'Void or not',
      kind: 'choice',
      options: [
        { value: 'counts', label: 'Not void' },
        { value: 'void', label: 'Void' },
      ],
    },
    { key: 'day', label: 'Day', kind: 'days' },
    { key: 'amount', label: 'Amount', kind: 'amounts' },
  ],
  sort: { by: 'day', down: true },
};

/** The costs of all jobs. For us alone. */
export const costList: DeskList<CostListRow> = {
  spec: ({ actor }) => {
    allow(actor, 'cost');
    return spec;
  },
  source: costListSource,
};

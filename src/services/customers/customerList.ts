import { customerListSource } from '@/data/customers/customerListSource';
import type { ListSpec } from '@/core/lists';
import type { DeskList } from '../lists/deskList';

/** A customer as their list shows them. */
export interface CustomerListRow {
  readonly id: string;
  readonly name: string;
  readonly contact: string;
  readonly sites: readonly string[];
  readonly phone: string;
  readonly email: string;
  readonly proposals: number;
  readonly agreements: number;
  readonly open: string;
}

const spec: ListSpec = {
  name: 'customers',
  columns: [
    { key: 'name', title: 'Customer', kind: 'text' },
    { key: 'contact', title: 'Contact', kind: 'text' },
    { key: 'sites', title: 'Sites', kind: 'text', unsorted: true },
    { key: 'phone', title: 'Phone', kind: 'text' },
    { key: 'email', title: 'Email', kind: 'text' },
    { key: 'proposals', title: 'Proposals', kind: 'count' },
    { key: 'agreements', title: 'Agreements', kind: 'count' },
    { key: 'open', title: 'Open', kind: 'amount', total: true },
  ],
  filters: [
    {
      key: 'with',
      label: 'With',
      kind: 'choice',
      options: [
        { value: 'open', label: 'Something open' },
        { value: 'agreement', label: 'An agreement' },
        { value: 'none', label: 'No proposal yet' },
      ],
    },
  ],
  sort: { by: 'name', down: false },
};

/** Customers with their sites, and what they have open. */
export const customerList: DeskList<CustomerListRow> = {
  spec: () => spec,
  source: customerListSource,
};

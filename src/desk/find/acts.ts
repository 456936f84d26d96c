import type { Permission } from '@/model';

/** Something that can be begun from anywhere. */
export interface Act {
  readonly name: string;
  /** Other words it is looked for by. */
  readonly also: string;
  readonly address: string;
  readonly key?: string;
  /** What lets one do it; none: everybody. */
  readonly needs?: Permission;
}

/** What can be begun or opened by its name. */
export const acts: readonly Act[] = [
  {
    name: 'New proposal',
    also: 'offer quote estimate begin start',
    address: '/proposals/new',
    needs: 'propose',
    key: 'Alt N',
  },
  { name: 'New customer', also: 'add client', address: '/customers?new', needs: 'propose' },
  {
    name: 'Record payment',
    also: 'money received check transfer',
    address: '/money?state=outstanding&sort=due',
    needs: 'money',
  },
  {
    name: 'Overdue invoices',
    also: 'late reminders',
    address: '/money?state=overdue&sort=due',
    needs: 'prices',
  },
  { name: 'What can be billed now', also: 'to bill invoice', address: '/money?show=to-bill', needs: 'issue' },
  { name: 'Payments', also: 'received money refunds', address: '/money/payments', needs: 'prices' },
  { name: 'New item', also: 'add library', address: '/library/items/new', needs: 'library' },
  { name: 'New bundle', also: 'add assembly library', address: '/library/bundles/new', needs: 'propose' },
  {
    name: 'Import into the library',
    also: 'price list csv xlsx supplier',
    address: '/library/import',
    needs: 'library',
  },
  { name: 'Rates and crews', also: 'labor hours', address: '/library/rates', needs: 'cost' },
  { name: 'Reports', also: 'job costing sales won', address: '/reports', needs: 'prices' },
  {
    name: 'For the accountant',
    also: 'export batch journal books',
    address: '/money/accountant',
    needs: 'money',
  },
  { name: 'Outbox', also: 'mail messages letters', address: '/outbox', needs: 'prices' },
  { name: 'Settings: proposals', also: 'company tax markup usual', address: '/settings', needs: 'cost' },
  {
    name: 'Settings: pricing',
    also: 'markup levels limits area factors',
    address: '/settings#about=pricing',
    needs: 'cost',
  },
  {
    name: 'Settings: invoices and deposits',
    also: 'schedule due law',
    address: '/settings#about=invoices',
    needs: 'cost',
  },
  {
    name: 'Settings: late payments',
    also: 'reminders charges interest',
    address: '/settings#about=late',
    needs: 'cost',
  },
  {
    name: 'Settings: company',
    also: 'address phone license logo',
    address: '/settings#about=company',
    needs: 'cost',
  },
  {
    name: 'Settings: taxes',
    also: 'sales tax classes rates',
    address: '/settings#about=taxes',
    needs: 'cost',
  },
  {
    name: 'Settings: connections',
    also: 'mail server letters smtp',
    address: '/settings#about=connections',
    needs: 'settings',
  },
  { name: 'Guide', also: 'help how manual', address: '/help', key: 'F1' },
  { name: 'History', also: 'audit log who did what record', address: '/history', needs: 'settings' },
  {
    name: 'Settings: people',
    also: 'users sellers office',
    address: '/settings#about=people',
    needs: 'people',
  },
  { name: 'Settings: you', also: 'signed in dark light', address: '/settings#about=you' },
  { name: 'Costs of all jobs', also: 'expenses suppliers', address: '/money/costs', needs: 'cost' },
];

/** The acts somebody may do that have all the words of a search; all of them without one. */
export function actsFor(search: string, held: readonly Permission[]): readonly Act[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  return acts.filter(({ name, also, needs }) => {
    if (needs && !held.includes(needs)) return false;
    const text = `${name} ${also}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
}

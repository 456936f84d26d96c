/** Something that can be begun from anywhere. */
export interface Act {
  readonly name: string;
  /** Other words it is looked for by. */
  readonly also: string;
  readonly address: string;
  readonly key?: string;
}

/** What can be begun or opened by its name. */
export const acts: readonly Act[] = [
  { name: 'New proposal', also: 'offer quote estimate begin start', address: '/proposals/new', key: 'Alt N' },
  { name: 'New customer', also: 'add client', address: '/customers?new' },
  {
    name: 'Record payment',
    also: 'money received check transfer',
    address: '/money?state=outstanding&sort=due',
  },
  { name: 'Overdue invoices', also: 'late reminders', address: '/money?state=overdue&sort=due' },
  { name: 'What can be billed now', also: 'to bill invoice', address: '/money?show=to-bill' },
  { name: 'Payments', also: 'received money refunds', address: '/money/payments' },
  { name: 'New item', also: 'add library', address: '/library/items/new' },
  { name: 'New bundle', also: 'add assembly library', address: '/library/bundles/new' },
  { name: 'Import into the library', also: 'price list csv xlsx supplier', address: '/library/import' },
  { name: 'Rates and crews', also: 'labor hours', address: '/library/rates' },
  { name: 'Reports', also: 'job costing sales won', address: '/reports' },
  { name: 'For the accountant', also: 'export batch journal books', address: '/money/accountant' },
  { name: 'Outbox', also: 'mail messages letters', address: '/outbox' },
  { name: 'Settings: proposals', also: 'company tax markup usual', address: '/settings' },
  {
    name: 'Settings: pricing',
    also: 'markup levels limits area factors',
    address: '/settings#about=pricing',
  },
  { name: 'Settings: invoices and deposits', also: 'schedule due law', address: '/settings#about=invoices' },
  { name: 'Settings: late payments', also: 'reminders charges interest', address: '/settings#about=late' },
  { name: 'Settings: people', also: 'users sellers office', address: '/settings#about=people' },
  { name: 'Settings: you', also: 'signed in dark light', address: '/settings#about=you' },
  { name: 'Costs of all jobs', also: 'expenses suppliers', address: '/money/costs' },
];

/** The acts that have all the words of a search; all of them without one. */
export function actsFor(search: string): readonly Act[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  return acts.filter(({ name, also }) => {
    const text = `${name} ${also}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
}

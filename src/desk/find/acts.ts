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
  { name: 'Settings', also: 'company tax markup people', address: '/settings' },
];

/** The acts that have all the words of a search; all of them without one. */
export function actsFor(search: string): readonly Act[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  return acts.filter(({ name, also }) => {
    const text = `${name} ${also}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
}

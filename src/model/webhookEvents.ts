/* News for other programs. Each is told when one of some acts is recorded: what the history says is what is told. */

/** News, what it is called for people, of what it is, and the acts that are told by it. */
export const webhookEvents = [
  { name: 'customer.added', says: 'A customer was added', of: 'customers', acts: ['customer added'] },
  { name: 'customer.changed', says: 'A customer was changed', of: 'customers', acts: ['customer changed'] },
  {
    name: 'customer.removed',
    says: 'What was known of a customer as a person was removed',
    of: 'customers',
    acts: ['customer data removed'],
  },
  {
    name: 'proposal.begun',
    says: 'A proposal was begun',
    of: 'proposals',
    acts: ['proposal started', 'proposal imported', 'proposal copied', 'change order started'],
  },
  { name: 'proposal.sent', says: 'A proposal was sent', of: 'proposals', acts: ['proposal sent'] },
  {
    name: 'proposal.accepted',
    says: 'A customer said yes: it is an agreement',
    of: 'proposals',
    acts: ['proposal accepted'],
  },
  { name: 'proposal.declined', says: 'A customer said no', of: 'proposals', acts: ['proposal declined'] },
  {
    name: 'proposal.withdrawn',
    says: 'A proposal was taken back',
    of: 'proposals',
    acts: ['proposal withdrawn'],
  },
  {
    name: 'agreement.changed',
    says: 'A change order was signed',
    of: 'agreements',
    acts: ['change order accepted'],
  },
  { name: 'agreement.progressed', says: 'A stage was reported', of: 'agreements', acts: ['stage reported'] },
  { name: 'invoice.issued', says: 'An invoice was issued', of: 'invoices', acts: ['invoice issued'] },
  {
    name: 'invoice.credited',
    says: 'A credit note was issued',
    of: 'invoices',
    acts: ['credit note issued'],
  },
  {
    name: 'payment.recorded',
    says: 'Money came in',
    of: 'payments',
    acts: ['payment recorded', 'payment reinstated'],
  },
  {
    name: 'payment.reversed',
    says: 'A payment was returned or is void',
    of: 'payments',
    acts: ['payment returned', 'payment voided'],
  },
  {
    name: 'library.changed',
    says: 'An item or bundle was added or changed',
    of: 'library',
    acts: ['item added', 'item changed', 'bundle added', 'bundle changed'],
  },
] as const;

export type WebhookEvent = (typeof webhookEvents)[number]['name'];

export const webhookEventNames: readonly WebhookEvent[] = webhookEvents.map(({ name }) => name);

const byAct: ReadonlyMap<string, WebhookEvent> = new Map(
  webhookEvents.flatMap(({ name, acts }) => acts.map((act) => [act as string, name] as const)),
);

/** The news that an act of the history is; none for most. */
export const eventOfAct = (act: string): WebhookEvent | undefined => byAct.get(act);

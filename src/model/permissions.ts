/* What a person may do in a company. A role is a named set of these, which the owner can change. */

/** Every permission, in the order they stand: what it is called, and what it opens. */
export const permissions = [
  {
    key: 'prices',
    name: 'See prices',
    says: 'Proposals, invoices and money; without it: jobs, their stages and photos, no sums',
  },
  { key: 'cost', name: 'See cost and margin', says: 'Without it: prices and choices only, in everything' },
  {
    key: 'allProposals',
    name: 'See everybody’s work',
    says: 'Without it: only proposals one sells oneself, and what comes of them',
  },
  {
    key: 'propose',
    name: 'Write proposals',
    says: 'Begin, change and withdraw proposals and change orders, answer customers, add to the library',
  },
  { key: 'send', name: 'Send without approval', says: 'Without it each offer is approved before it goes' },
  { key: 'approve', name: 'Approve', says: 'Say yes to what crosses a limit; own offers need nobody’s yes' },
  { key: 'jobs', name: 'Record work', says: 'Stages reached, photos, hours and costs of a job' },
  { key: 'issue', name: 'Issue invoices', says: 'Draft and issue invoices, send them' },
  {
    key: 'money',
    name: 'Record money',
    says: 'Payments, refunds, credit notes, reminders, late charges, statements, the accountant’s batches',
  },
  { key: 'library', name: 'Change the library', says: 'Items, bundles, rates and costs; lists brought in' },
  { key: 'export', name: 'Export', says: 'Lists, reports and books as files' },
  { key: 'settings', name: 'Change settings', says: 'Company, taxes, pricing, payments, numbers' },
  { key: 'people', name: 'Manage people', says: 'Invite, give roles, end sessions, hand work over' },
] as const satisfies readonly { readonly key: string; readonly name: string; readonly says: string }[];

export type Permission = (typeof permissions)[number]['key'];

export const permissionKeys: readonly Permission[] = permissions.map(({ key }) => key);

export type RoleKind = 'owner' | 'manager' | 'seller' | 'office' | 'field';

/** The roles a company begins with. The first has everything, always: a company cannot lock itself out. */
export const firstRoles: readonly {
  readonly kind: RoleKind;
  readonly name: string;
  readonly permissions: readonly Permission[];
}[] = [
  { kind: 'owner', name: 'Owner', permissions: permissionKeys },
  {
    kind: 'manager',
    name: 'Manager',
    permissions: permissionKeys.filter((key) => key !== 'settings' && key !== 'people'),
  },
  {
    kind: 'seller',
    name: 'Seller',
    permissions: ['prices', 'cost', 'allProposals', 'propose', 'send', 'jobs', 'issue', 'export'],
  },
  {
    kind: 'office',
    name: 'Office',
    permissions: ['prices', 'cost', 'allProposals', 'jobs', 'issue', 'money', 'export'],
  },
  { kind: 'field', name: 'Field', permissions: ['allProposals', 'jobs'] },
];

/** What a permission cannot be without: who records money sees prices. */
const needs: { readonly [key in Permission]?: readonly Permission[] } = {
  cost: ['prices'],
  propose: ['prices'],
  send: ['propose'],
  approve: ['cost', 'allProposals'],
  issue: ['prices'],
  money: ['prices', 'allProposals'],
  library: ['cost'],
  export: ['prices'],
  settings: ['cost', 'allProposals'],
  // Work is handed over by who sees it.
  people: ['allProposals'],
};

/** A set of permissions with everything they cannot be without, in the order they stand. */
export function withNeeded(wanted: readonly Permission[]): Permission[] {
  const all = new Set<Permission>();
  const add = (key: Permission): void => {
    if (all.has(key)) return;
    all.add(key);
    needs[key]?.forEach(add);
  };
  wanted.filter((key) => permissionKeys.includes(key)).forEach(add);
  return permissionKeys.filter((key) => all.has(key));
}

/** What would have to go with a permission that is taken away. */
export const neededBy = (key: Permission): Permission[] =>
  permissionKeys.filter((other) => other !== key && withNeeded([other]).includes(key));

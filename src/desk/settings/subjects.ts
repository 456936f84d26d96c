import type { Permission } from '@/model';

/** What the settings are about, in the order they stand, and what lets one see each; the address names one. */
export const subjects = [
  {
    key: 'company',
    title: 'Company',
    about: 'What customers read of you on every paper, and in what you reckon',
    needs: 'cost',
  },
  { key: 'proposals', title: 'Proposals', about: 'What a proposal from nothing begins with', needs: 'cost' },
  { key: 'taxes', title: 'Taxes', about: 'What is charged on which work', needs: 'cost' },
  {
    key: 'pricing',
    title: 'Pricing',
    about: 'Markup levels, limits, what work costs by area',
    needs: 'cost',
  },
  {
    key: 'invoices',
    title: 'Invoices and deposits',
    about: 'Schedules, when what is due, the law',
    needs: 'cost',
  },
  { key: 'late', title: 'Late payments', about: 'Reminders and late charges', needs: 'cost' },
  {
    key: 'library',
    title: 'Cost codes and units',
    about: 'The codes you book by, which one the work of each trade has, and in what you count',
    needs: 'cost',
  },
  { key: 'people', title: 'People', about: 'Who works here, and what each may do', needs: 'people' },
  {
    key: 'numbers',
    title: 'Numbers',
    about: 'How papers are numbered, and with which number they go on',
    needs: 'settings',
  },
  {
    key: 'connections',
    title: 'Connections',
    about: 'How letters leave the house, whether they arrive, and which programs may ask here',
    needs: 'settings',
  },
  { key: 'data', title: 'Data', about: 'What is kept here of the company', needs: 'settings' },
  { key: 'you', title: 'You', about: 'How you sign in, where you are signed in, light or dark', needs: null },
] as const satisfies readonly {
  readonly key: string;
  readonly title: string;
  readonly about: string;
  readonly needs: Permission | null;
}[];

export type Subject = (typeof subjects)[number]['key'];

/** The subjects somebody sees. */
export const subjectsFor = (held: readonly Permission[]) =>
  subjects.filter(({ needs }) => needs === null || held.includes(needs));

/** The subject an address names, of those somebody sees; their first where it names none. */
export const subjectOf = (name: string | null, held: readonly Permission[]): Subject => {
  const seen = subjectsFor(held);
  const first = seen.find(({ key }) => key === 'proposals') ?? seen[0]!;
  return (seen.find(({ key }) => key === name) ?? first).key;
};

/** Subjects that are one form, saved together; what is typed in one stays while another is looked at. */
export const isForm = (subject: Subject): boolean =>
  ['proposals', 'taxes', 'pricing', 'invoices', 'late'].includes(subject);

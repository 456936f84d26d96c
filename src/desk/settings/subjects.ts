/** What the settings are about, in the order they stand; the address names one. */
export const subjects = [
  { key: 'proposals', title: 'Proposals', about: 'What a proposal from nothing begins with' },
  { key: 'pricing', title: 'Pricing', about: 'Markup levels, limits, what work costs by area' },
  { key: 'invoices', title: 'Invoices and deposits', about: 'Schedules, when what is due, the law' },
  { key: 'late', title: 'Late payments', about: 'Reminders and late charges' },
  { key: 'people', title: 'People', about: 'Who works here' },
  { key: 'you', title: 'You', about: 'Where you are signed in, light or dark' },
] as const;

export type Subject = (typeof subjects)[number]['key'];

/** The subject an address names; the first where it names none. */
export const subjectOf = (name: string | null): Subject =>
  subjects.find(({ key }) => key === name)?.key ?? 'proposals';

/** Subjects that are one form, saved together; what is typed in one stays while another is looked at. */
export const isForm = (subject: Subject): boolean => subject !== 'people' && subject !== 'you';

/** The steps of a proposal: the same document seen for another purpose. */
export const steps = ['Scope', 'Choices', 'Price', 'Payments', 'Wording', 'Send'] as const;
export type Step = (typeof steps)[number];

/** The step an address names; the first where it names none. */
export const stepOf = (name: string | null): Step =>
  steps.find((step) => step.toLowerCase() === name?.toLowerCase()) ?? 'Scope';

/** Steps are history of their own: Back leads to the step before, and the address says which is shown. */
export const goTo = (address: string): void => {
  if (window.location.search !== address) window.history.pushState(null, '', address);
};

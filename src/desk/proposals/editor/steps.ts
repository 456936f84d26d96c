/** The steps of a proposal: the same document seen for another purpose. */
export const steps = ['Scope', 'Choices', 'Price', 'Payments', 'Wording', 'Send'] as const;
export type Step = (typeof steps)[number];

/** The step an address names; the first where it names none. */
export const stepOf = (name: string | null): Step =>
  steps.find((step) => step.toLowerCase() === name?.toLowerCase()) ?? 'Scope';

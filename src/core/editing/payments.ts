import type { BillingTerms, ProposalDocument, ScheduleEntry } from '@/model';

/** Replaces the payment schedule. */
export function setSchedule(document: ProposalDocument, entries: readonly ScheduleEntry[]): void {
  document.schedule = [...entries];
}

/** Sets how the agreement is billed; nothing special is nothing in the document. */
export function setBilling(document: ProposalDocument, terms: BillingTerms): void {
  if (Object.keys(terms).length === 0) delete document.billing;
  else document.billing = terms;
}

/** Plans the day a stage is to be done; null takes it away. */
export function planStage(document: ProposalDocument, name: string, planned: string | null): void {
  const others = (document.stages ?? []).filter((stage) => stage.name !== name);
  if (planned === null) {
    if (others.length === 0) delete document.stages;
    else document.stages = others;
    return;
  }
  const known = document.stages?.some((stage) => stage.name === name) ?? false;
  document.stages = known
    ? document.stages!.map((stage) => (stage.name === name ? { name, planned } : stage))
    : [...others, { name, planned }];
}

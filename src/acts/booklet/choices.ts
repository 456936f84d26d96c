import { eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { customerChoice } from '@/data/schema';
import { answersOf, checkChoices, menuOf } from '@/core/choice';
import { customerView } from '@/core/offer';
import type { Choices, CustomerView, Menu, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { Problem } from '../problem';

/** What is chosen so far on a revision, and which count of changes that is; 0 before the first. */
export interface Chosen {
  readonly choices: Choices;
  readonly number: number;
}

interface Read {
  readonly document: ProposalDocument;
  readonly today: string;
}

/** What is chosen so far; what cannot be read against the document any more counts as nothing chosen. */
export async function choicesOf(
  tx: Transaction,
  revisionId: string,
  document: ProposalDocument,
): Promise<Chosen> {
  const [row] = await tx.select().from(customerChoice).where(eq(customerChoice.revisionId, revisionId));
  if (!row) return { choices: asSuggested, number: 0 };
  const fits = checkChoices(menuOf(document), row.choices).length === 0;
  return { choices: fits ? row.choices : asSuggested, number: row.number };
}

/** Refuses choices that are not on offer, that a rule forbids, or that changed after their day. */
export function refuseBadChoices({ document, today }: Read, choices: Choices, before: Choices): void {
  const [problem] = checkChoices(menuOf(document), choices, { before, today });
  if (problem)
    throw new Problem(422, problem.message, { errors: [{ pointer: problem.id, detail: problem.message }] });
}

/** Do two sets of choices come to the same? */
export function sameChoices(menu: Menu, one: Choices, other: Choices): boolean {
  const [a, b] = [answersOf(menu, one), answersOf(menu, other)];
  return (
    menu.extras.every(
      ({ id }) => a.extra(id) === b.extra(id) && one.extras[id]?.quantity === other.extras[id]?.quantity,
    ) &&
    menu.questions.every(({ id }) => a.question(id) === b.question(id)) &&
    menu.tiers.every(({ id }) => a.tiers(id) === b.tiers(id))
  );
}

/** How things stand now, for someone whose page is behind. */
export interface Meanwhile {
  readonly choices: Choices;
  readonly number: number;
  readonly view: CustomerView;
}

/**
 * Refuses when someone else holding the link (or the seller, on the phone) has chosen otherwise meanwhile, with how it
 * stands now.
 */
export function refuseChangedMeanwhile({ document, today }: Read, seen: Choices, stored: Chosen): void {
  if (stored.number === 0 || sameChoices(menuOf(document), seen, stored.choices)) return;
  const now: Meanwhile = {
    choices: stored.choices,
    number: stored.number,
    view: customerView(document, stored.choices, today),
  };
  throw new Problem(
    409,
    'Someone else with this link chose differently a moment ago. This is how it stands now; look at it, then go on.',
    { context: { now } },
  );
}

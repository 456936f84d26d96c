import { and, desc, eq, lt } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { customerChoice, revision } from '../schema';
import { answersOf, carryChoices, checkChoices, menuOf } from '@/core/choice';
import { customerView } from '@/core/offer';
import type { Choices, CustomerView, LostPick, Menu, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { Problem } from '@/model/problem';

/** What is chosen so far on a revision, and which count of changes that is; 0 before the first. */
export interface Chosen {
  readonly choices: Choices;
  readonly number: number;
  /** Chosen last: when, and by whom of ours (null: the customer); null where nothing was ever chosen. */
  readonly last: { readonly at: Date; readonly by: string | null } | null;
}

/** What was chosen on the revision before, kept as far as it is still offered. */
export interface Kept {
  readonly choices: Choices;
  readonly lost: readonly LostPick[];
}

/** A revision; without an identity it is one that would be sent now, on which nothing can be chosen yet. */
type Of = Pick<typeof revision.$inferSelect, 'proposalId' | 'number'> & { readonly id: string | null };

interface Read {
  readonly document: ProposalDocument;
  readonly today: string;
}

/**
 * What was chosen on the revisions before one, as far as it is still offered on it.
 * @returns null where nothing was chosen before it
 */
export async function keptOn(
  tx: Transaction,
  { proposalId, number }: Of,
  document: ProposalDocument,
): Promise<(Kept & { readonly last: NonNullable<Chosen['last']> }) | null> {
  const [found] = await tx
    .select({ row: customerChoice, canonical: revision.canonical })
    .from(customerChoice)
    .innerJoin(
      revision,
      and(eq(revision.companyId, customerChoice.companyId), eq(revision.id, customerChoice.revisionId)),
    )
    .where(and(eq(revision.proposalId, proposalId), lt(revision.number, number)))
    .orderBy(desc(revision.number))
    .limit(1);
  if (!found) return null;
  const before = menuOf(JSON.parse(found.canonical) as ProposalDocument);
  const { choices, updatedAt: at, presetBy: by } = found.row;
  return { ...carryChoices(before, choices, menuOf(document)), last: { at, by } };
}

/**
 * What is chosen so far on a revision. Before anything is, it is what was chosen on the one before, as far as it is still
 * offered. What cannot be read against the document any more counts as nothing chosen.
 */
export async function choicesOf(tx: Transaction, of: Of, document: ProposalDocument): Promise<Chosen> {
  const [row] =
    of.id === null ? [] : await tx.select().from(customerChoice).where(eq(customerChoice.revisionId, of.id));
  if (!row) {
    const kept = await keptOn(tx, of, document);
    return { choices: kept?.choices ?? asSuggested, number: 0, last: kept?.last ?? null };
  }
  const fits = checkChoices(menuOf(document), row.choices).length === 0;
  return {
    choices: fits ? row.choices : asSuggested,
    number: row.number,
    last: { at: row.updatedAt, by: row.presetBy },
  };
}

/**
 * Refuses choices that are not on offer, that a rule forbids, or that changed after their day.
 * @throws Problem `choice-wrong`
 */
export function refuseBadChoices({ document, today }: Read, choices: Choices, before: Choices): void {
  const [problem] = checkChoices(menuOf(document), choices, { before, today });
  if (problem)
    throw new Problem('choice-wrong', problem.message, {
      errors: [{ pointer: problem.id, detail: problem.message }],
    });
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
 * @throws Problem `chosen-meanwhile`
 */
export function refuseChangedMeanwhile({ document, today }: Read, seen: Choices, stored: Chosen): void {
  if (stored.number === 0 || sameChoices(menuOf(document), seen, stored.choices)) return;
  const now: Meanwhile = {
    choices: stored.choices,
    number: stored.number,
    view: customerView(document, stored.choices, today),
  };
  throw new Problem(
    'chosen-meanwhile',
    'Someone else with this link chose differently a moment ago. This is how it stands now; look at it, then go on.',
    { context: { now } },
  );
}

interface Choosing {
  readonly companyId: string;
  readonly now: Date;
  /** Who of ours chooses for the customer; null: the customer. */
  readonly userId: string | null;
}

/** Keeps choices of a revision under the next count. */
export async function keepChoices(
  tx: Transaction,
  { companyId, now, userId }: Choosing,
  revisionId: string,
  choices: Choices,
  before: number,
): Promise<number> {
  const number = before + 1;
  const row = { choices, number, presetBy: userId, updatedAt: now };
  if (before === 0) await tx.insert(customerChoice).values({ companyId, revisionId, ...row });
  else
    await tx
      .update(customerChoice)
      .set(row)
      .where(and(eq(customerChoice.companyId, companyId), eq(customerChoice.revisionId, revisionId)));
  return number;
}

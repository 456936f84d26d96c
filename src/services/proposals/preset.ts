import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { choicesInWords, menuOf } from '@/core/choice';
import { minorDigits, writeAmount } from '@/core/number';
import { computeFigures } from '@/core/price';
import type { ProposalDocument } from '@/model';
import { ChooseInput } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, recordAudit } from '../actor';
import { choicesOf, keepChoices, refuseBadChoices } from '@/data/proposals/choices';
import { check } from '../check';
import { companyOf } from '@/data/settings/company';
import { noSuch, Problem } from '../problem';
import { stateToday } from '@/core/offer/stateToday';
import { findNewestRevision, revisionById, findNewestRevisionKey } from '@/data/proposals/revision';
import { findNameOfPerson } from '@/data/accounts/user';
import { lockProposalById } from '@/data/proposals/proposal';

/** Where a customer stands with the newest revision: what they picked so far, and what it comes to. */
export interface Picks {
  readonly revision: number;
  readonly total: string;
  /** What differs from the suggestion. */
  readonly words: readonly string[];
  readonly at: string;
  /** Who of ours picked last, on the phone; null: the customer. */
  readonly by: string | null;
}

/** The newest revision of a proposal under the choices as they stand; null before the first was sent. */
export async function decidedOf(tx: Transaction, proposalId: string) {
  const [newest] = await findNewestRevision(tx, proposalId);
  if (!newest) return null;
  const document = JSON.parse(newest.canonical) as ProposalDocument;
  const { choices, last } = await choicesOf(tx, newest, document);
  const { total } = computeFigures(document, choices);
  return {
    revisionId: newest.id,
    revision: newest.number,
    total: writeAmount(total, minorDigits(document.currency)),
    words: choicesInWords(menuOf(document), choices),
    choices,
    last,
    menu: menuOf(document),
  };
}

type Decided = Awaited<ReturnType<typeof decidedOf>>;

/** What is picked on the newest revision of a proposal; null when nobody has picked anything yet. */
export async function picksOf(tx: Transaction, decided: Decided): Promise<Picks | null> {
  if (!decided) return null;
  const { revision: number, total, words, last } = decided;
  if (!last) return null;
  const [person] = last.by === null ? [] : await findNameOfPerson(tx, last.by);
  return { revision: number, total, words, at: last.at.toISOString(), by: person?.name ?? null };
}

/**
 * Keeps choices for the customer, as said on the phone: they find them in their booklet and can change them still.
 * @throws Problem `choosing-closed`, `no-such-revision`, `revision-outdated`
 */
export async function presetChoices(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'propose');
  const { revisionId, choices } = check(ChooseInput, input, 'The choice');
  await inCompany(actor, async (tx) => {
    const [found] = await revisionById(tx, revisionId);
    if (!found) throw noSuch('revision');
    const [row] = await lockProposalById(tx, found.proposalId);
    const [newest] = await findNewestRevisionKey(tx, found.proposalId);
    if (newest?.id !== revisionId)
      throw new Problem('revision-outdated', 'A newer revision was sent meanwhile. Choose on that one.');
    const document = JSON.parse(found.canonical) as ProposalDocument;
    const ours = await companyOf(tx, actor.companyId);
    const today = businessDate(actor.now, ours.timeZone);
    if (stateToday(row!.state, document.validUntil, today) !== 'sent')
      throw new Problem('choosing-closed', 'Nothing can be chosen on this proposal any more.');
    const stored = await choicesOf(tx, found, document);
    refuseBadChoices({ document, today }, choices, stored.choices);
    await keepChoices(tx, actor, revisionId, choices, stored.number);
    await recordAudit(tx, actor, 'choices preset', found.proposalId, { revisionId, choices });
  });
}

import Type from 'typebox';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { menuOfRound, picksInWords, roundFigures, standings, termsOf } from '@/core/allowance';
import { checkChoices } from '@/core/choice';
import { moneyOf, showDecimal } from '@/core/number';
import { Choices, EntityId, IdempotencyKey, Signature } from '@/model';
import type { SelectionRound } from '@/model';
import { newId, recordAudit } from '../actor';
import { refuseSettled, roundInWork } from '../agreements/rounds';
import { recordSigning } from '../agreements/sign';
import { check } from '../check';
import { noSuch, Problem } from '../problem';
import type { Visitor } from './open';
import {
  findProposalOfRound,
  updateSelectionRound,
  lockSelectionRoundById,
} from '@/data/agreements/selectionRound';
import { findSelectionOfRound, findLastPosition, insertSelection } from '@/data/agreements/selection';
import { findSealOfRevision } from '@/data/proposals/revision';

const closed = { additionalProperties: false } as const;
const count = Type.Integer({ minimum: 0 });

const ChooseRoundInput = Type.Object({ roundId: EntityId, saveNumber: count, choices: Choices }, closed);
const SignRoundInput = Type.Object(
  {
    roundId: EntityId,
    saveNumber: count,
    choices: Choices,
    /** What the signer saw chosen in this round. */
    chosen: Type.String({ maxLength: 30 }),
    signerName: Type.String({ minLength: 1, maxLength: 200, pattern: '\\S' }),
    signature: Signature,
    consent: Type.Literal(true),
    idempotencyKey: IdempotencyKey,
  },
  closed,
);

/** The sentence under the selections of a round. */
export const selectionConsent =
  'I choose this as shown, against the allowance for it, and I agree to sign electronically.';

/**
 * A round of the visitor's own agreement that they were asked to choose in.
 * @throws Problem `change-order-withdrawn`, `no-such-round`
 */
async function ownRound(tx: Transaction, visitor: Visitor, roundId: string, saveNumber: number) {
  const [known] = await findProposalOfRound(tx, roundId);
  if (known?.proposalId !== visitor.proposalId) throw noSuch('round');
  const row = await roundInWork(tx, roundId, saveNumber);
  if (row.state !== 'offered')
    throw new Problem(
      'change-order-withdrawn',
      `“${row.document.name}” was withdrawn. We will come back to you about it.`,
    );
  return row;
}

/** @throws Problem `choice-wrong` */
function refuseBadPicks(round: SelectionRound, choices: Choices): void {
  const [problem] = checkChoices(menuOfRound(round), choices);
  if (problem)
    throw new Problem('choice-wrong', problem.message, {
      errors: [{ pointer: problem.id, detail: problem.message }],
    });
}

/** Keeps what the customer has picked in a round so far. */
export async function chooseInRound(visitor: Visitor, input: unknown): Promise<void> {
  const { roundId, saveNumber, choices } = check(ChooseRoundInput, input, 'The choice');
  await inCompany(visitor.companyId, async (tx) => {
    const row = await ownRound(tx, visitor, roundId, saveNumber);
    refuseBadPicks(row.document, choices);
    await updateSelectionRound(tx, roundId, { choices, updatedAt: visitor.now });
  });
}

/**
 * Signs a round: what is chosen is frozen and draws on its allowance, in the order of signature. A second tap or a retry
 * finds it signed and says so without signing twice.
 * @throws Problem `total-changed`
 */
export async function signRound(
  visitor: Visitor,
  input: unknown,
  browser: string,
): Promise<{ repeated: boolean }> {
  const given = check(SignRoundInput, input, 'The signature');
  return inCompany(visitor.companyId, async (tx) => {
    // One after the other: whoever comes second finds it signed.
    await lockSelectionRoundById(tx, given.roundId);
    const [done] = await findSelectionOfRound(tx, given.roundId);
    if (done?.proposalId === visitor.proposalId) return { repeated: true };

    const row = await ownRound(tx, visitor, given.roundId, given.saveNumber);
    refuseBadPicks(row.document, given.choices);
    // Rounds of one agreement are signed one after the other: each draws on what the others left.
    const { loaded, stand } = await refuseSettled(tx, row.agreementId, row.lineId, true);
    const line = loaded.lines.find(({ id }) => id === row.lineId)!;
    const { chosen } = roundFigures(row.document, given.choices, {
      quantity: line.quantity,
      minorDigits: loaded.digits,
    });
    const money = moneyOf(loaded.digits);
    if (money.write(chosen) !== given.chosen)
      throw new Problem(
        'total-changed',
        `This comes to ${showDecimal(money.write(chosen))}, not ${showDecimal(given.chosen)}: look at it once more.`,
      );

    const [last] = await findLastPosition(tx, row);
    const id = newId(visitor.now);
    await insertSelection(tx, {
      companyId: visitor.companyId,
      id,
      roundId: row.id,
      agreementId: row.agreementId,
      lineId: row.lineId,
      position: last!.position + 1,
      document: row.document,
      choices: given.choices,
      chosen: money.write(chosen),
      signedAt: visitor.now,
    });
    const after = standings(termsOf(stand.terms, stand.spend), [
      ...stand.rounds.map((round) => round.chosen),
      chosen,
    ]).at(-1)!;
    const [frozen] = await findSealOfRevision(tx, loaded.head.revisionId);
    const choices = picksInWords(row.document, given.choices);
    await recordSigning(
      tx,
      {
        companyId: visitor.companyId,
        now: visitor.now,
        name: given.signerName.trim(),
        signature: given.signature,
        browser: browser.slice(0, 400),
        from: visitor.from,
        linkId: visitor.linkId,
        recordedBy: null,
      },
      {
        agreementId: row.agreementId,
        kind: 'selections',
        subject: id,
        consent: selectionConsent,
        documentSha256: frozen!.sha256,
        choices,
        shown: {
          title: `${line.description}: ${row.document.name}`,
          currency: loaded.head.currency,
          total: money.write(chosen),
          setAside: money.write(stand.spend),
          chosenBefore: money.write(stand.chosen),
          left: money.write(after.left),
          adjustment: money.write(after.adjustment),
          round: row.document,
        },
      },
    );
    await recordAudit(tx, visitor, 'selections signed', row.agreementId, {
      selectionId: id,
      roundId: row.id,
      chosen: money.write(chosen),
    });
    return { repeated: false };
  });
}

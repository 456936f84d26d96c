import { insertChange } from '@/data/agreements/changes';
import Type from 'typebox';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { menuOfRound, roundProblems } from '@/core/allowance';
import { checkChoices } from '@/core/choice';
import { filesOfRound } from '@/core/offer';
import type { Amount, Fixed } from '@/core/number';
import { ONE, moneyOf, parsePercent, shareOf, showAmount } from '@/core/number';
import { showDate } from '@/core/text/dates';
import type { Line } from '@/model';
import { EntityId, SelectionRound, asSuggested } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, newId, recordAudit } from '../actor';
import { check } from '../check';
import { companyOf } from '@/data/settings/company';
import { refuseUnknownFile } from '../files/keep';
import { postLetter } from '../post';
import { noSuch, Problem } from '../problem';
import { makeLink } from '../links';
import type { LoadedAgreement } from '@/core/billing';
import { loadAgreement } from '@/data/agreements/load';
import type { SignedRound } from '@/data/agreements/settling';
import { signedRounds, standingOfAllowance } from '@/data/agreements/settling';
import {
  lockSelectionRoundById,
  insertSelectionRound,
  updateSelectionRound,
  findOpenRounds,
  findWaitingRounds,
} from '@/data/agreements/selectionRound';
import { selectionByRoundId } from '@/data/agreements/selection';
import { agreementById } from '@/data/agreements/agreement';
import { recipientsOf } from '../customers/recipients';

const closed = { additionalProperties: false } as const;
const count = Type.Integer({ minimum: 0 });
const LineId = Type.String({ pattern: '^[A-Za-z0-9_.-]{1,80}$' });

const SaveRoundInput = Type.Object(
  {
    agreementId: EntityId,
    lineId: LineId,
    /** Null: a new round. */
    roundId: Type.Union([EntityId, Type.Null()]),
    saveNumber: count,
    round: SelectionRound,
  },
  closed,
);
const RoundInput = Type.Object({ roundId: EntityId, saveNumber: count }, closed);
const SettleInput = Type.Object(
  { agreementId: EntityId, lineIds: Type.Array(LineId, { minItems: 1, maxItems: 100 }) },
  closed,
);

/**
 * A round, locked; refuses where it is signed or was changed since it was seen.
 * @throws Problem `change-order-changed`, `change-order-signed`, `no-such-round`
 */
export async function roundInWork(tx: Transaction, roundId: string, saveNumber: number) {
  const [row] = await lockSelectionRoundById(tx, roundId);
  if (!row) throw noSuch('round');
  const [done] = await selectionByRoundId(tx, roundId);
  if (done)
    throw new Problem(
      'change-order-signed',
      `“${done.document.name}” was signed meanwhile; it stays as it was signed.`,
    );
  if (row.saveNumber !== saveNumber)
    throw new Problem(
      'change-order-changed',
      `“${row.document.name}” was changed meanwhile. Here it is as it stands now.`,
      {
        context: { round: row.document, saveNumber: row.saveNumber },
      },
    );
  return row;
}

/**
 * Refuses where the allowance is settled: nothing is left of it to choose against.
 * @throws Problem `allowance-settled`
 */
export async function refuseSettled(tx: Transaction, agreementId: string, lineId: string, lock = false) {
  const loaded = await loadAgreement(tx, agreementId, { lock });
  const stand = standingOfAllowance(loaded, lineId, await signedRounds(tx, loaded));
  if (stand.settled)
    throw new Problem('allowance-settled', 'This allowance is settled; nothing is left to choose against.');
  return { loaded, stand };
}

/**
 * Keeps a round as it stands at the desk: a new one, or one that is not signed yet.
 * @throws Problem `no-such-round`, `round-not-complete`
 */
export async function saveRound(
  actor: Actor,
  input: unknown,
): Promise<{ roundId: string; saveNumber: number }> {
  allow(actor, 'propose');
  const { agreementId, lineId, roundId, saveNumber, round } = check(SaveRoundInput, input, 'The round');
  return inCompany(actor, async (tx) => {
    const { loaded } = await refuseSettled(tx, agreementId, lineId);
    const [problem] = roundProblems(round, loaded.digits);
    if (problem) throw new Problem('round-not-complete', `“${round.name}”: ${problem}`);
    await refuseUnknownFile(tx, filesOfRound(round));
    if (roundId === null) {
      const id = newId(actor.now);
      await insertSelectionRound(tx, {
        companyId: actor.companyId,
        id,
        agreementId,
        lineId,
        document: round,
        saveNumber: 0,
        state: 'prepared',
        choices: asSuggested,
        createdAt: actor.now,
        updatedAt: actor.now,
      });
      return { roundId: id, saveNumber: 0 };
    }
    const row = await roundInWork(tx, roundId, saveNumber);
    if (row.agreementId !== agreementId || row.lineId !== lineId)
      throw new Problem('no-such-round', 'There is no such round of this allowance.');
    const next = row.saveNumber + 1;
    const fits = checkChoices(menuOfRound(round), row.choices).length === 0;
    await updateSelectionRound(tx, roundId, {
      document: round,
      saveNumber: next,
      updatedAt: actor.now,
      // What was picked of something that is gone counts as not picked.
      ...(fits ? {} : { choices: asSuggested }),
    });
    return { roundId, saveNumber: next };
  });
}

/**
 * Asks the customer to choose: the round shows in their booklet, and a message with a link to it goes out.
 * @throws Problem `nothing-to-choose`
 */
export async function offerRound(actor: Actor, input: unknown): Promise<{ linkId: string; token: string }> {
  allow(actor, 'propose');
  const { roundId, saveNumber } = check(RoundInput, input, 'The round');
  return inCompany(actor, async (tx) => {
    const row = await roundInWork(tx, roundId, saveNumber);
    await refuseSettled(tx, row.agreementId, row.lineId);
    const { document } = row;
    if (document.questions.length + document.extras.length === 0)
      throw new Problem('nothing-to-choose', `“${document.name}” offers nothing to choose yet.`);
    await updateSelectionRound(tx, roundId, { state: 'offered', offeredAt: actor.now, updatedAt: actor.now });
    const [head] = await agreementById(tx, row.agreementId);
    const payer = await recipientsOf(tx, head!.customerId, 'offers');
    const ours = await companyOf(tx, actor.companyId);
    const link = await makeLink(tx, actor, head!.proposalId, 'selections', '#choose');
    if (payer.to) {
      await postLetter(tx, actor, {
        proposalId: head!.proposalId,
        kind: 'selections',
        link,
        to: payer.to,
        subject: `${document.name}: yours to choose`,
        body: [
          `Good day ${payer.name},`,
          `it is time to choose: ${document.name}${document.due ? `, until ${showDate(document.due)}` : ''}.`,
          `Look, choose and sign here:\n${link.address}`,
          `${actor.name}\n${ours.name} · ${ours.phone}`,
        ].join('\n\n'),
      });
    }
    await recordAudit(tx, actor, 'selections asked for', row.agreementId, { roundId, name: document.name });
    return { linkId: link.id, token: link.token };
  });
}

/** Takes a round back; it can be worked on and offered again. */
export async function withdrawRound(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'propose');
  const { roundId, saveNumber } = check(RoundInput, input, 'The round');
  await inCompany(actor, async (tx) => {
    const row = await roundInWork(tx, roundId, saveNumber);
    await updateSelectionRound(tx, roundId, { state: 'withdrawn', updatedAt: actor.now });
    await recordAudit(tx, actor, 'selections withdrawn', row.agreementId, { roundId });
  });
}

/**
 * What settling an allowance adds to the price, or gives back, as a line of a change order.
 * @throws Problem `allowance-settled`
 */
function settlingLine(
  loaded: LoadedAgreement,
  lineId: string,
  rounds: readonly SignedRound[],
  id: string,
): Line {
  const stand = standingOfAllowance(loaded, lineId, rounds);
  const allowance = loaded.lines.find((line) => line.id === lineId)!;
  if (stand.settled) throw new Problem('allowance-settled', `“${allowance.description}” is settled already.`);
  const { due } = stand;
  // What was chosen at cost is our cost; at our price, the fee in it is not.
  const beyond = stand.chosen - stand.spend;
  const rate = ONE - parsePercent(stand.terms.fee);
  const cost = stand.terms.rule === 'at our price' ? shareOf(beyond as Amount, rate as Fixed) : beyond;
  const up = due >= 0n;
  const money = moneyOf(loaded.digits);
  return {
    kind: 'line',
    id,
    description: `${allowance.description}: ${up ? 'chosen beyond' : 'left of'} the allowance`.slice(0, 200),
    detail: `Allowance ${showAmount(stand.spend, loaded.digits)}, chosen ${showAmount(stand.chosen, loaded.digits)}.`,
    unit: 'job',
    quantity: up ? '1' : '-1',
    costs: [{ type: 'other', amount: money.write(up ? cost : -cost) }],
    heldPrice: money.write(up ? due : -due),
    taxClass: allowance.taxClass,
    ...(allowance.costCode === null ? {} : { costCode: allowance.costCode }),
    settles: lineId,
  };
}

/**
 * Settles allowances: makes a change order with what the signed selections come to against what was set aside, one line
 * each. After it is signed, nothing is left of them.
 * @throws Problem `round-waiting`
 */
export async function settleAllowances(
  actor: Actor,
  input: unknown,
): Promise<{ id: string; number: number }> {
  allow(actor, 'propose');
  const { agreementId, lineIds } = check(SettleInput, input, 'The settlement');
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, agreementId, { lock: true });
    const rounds = await signedRounds(tx, loaded);
    const [waiting] = await findOpenRounds(tx, agreementId, lineIds);
    if (waiting)
      throw new Problem(
        'round-waiting',
        `“${waiting.document.name}” is still with the customer. Withdraw it first, or wait until it is signed.`,
      );
    const lines = lineIds.map((lineId) => settlingLine(loaded, lineId, rounds, newId(actor.now)));
    const names = lineIds.map((id) => loaded.lines.find((line) => line.id === id)!.description);
    return insertChange(tx, actor, loaded, `settling ${names.join(', ')}`, lines);
  });
}

/** Rounds that are with the customer, those that are late first: for a glance in the morning. */
export async function waitingRounds(actor: Actor) {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const today = businessDate(actor.now, ours.timeZone);
    const rows = await findWaitingRounds(tx);
    return rows
      .map(({ document, ...row }) => ({
        ...row,
        name: document.name,
        due: document.due ?? null,
        late: document.due !== undefined && document.due < today,
      }))
      .sort((a, b) => (a.due ?? '9999').localeCompare(b.due ?? '9999'));
  });
}

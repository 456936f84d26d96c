import { sql } from 'drizzle-orm';
import { readAgreement } from '@/services/agreements/read';
import { offerRound, saveRound, settleAllowances, withdrawRound } from '@/services/agreements/rounds';
import { acceptProposal } from '@/services/booklet/accept';
import { openBooklet } from '@/services/booklet/open';
import { chooseInRound, signRound } from '@/services/booklet/rounds';
import { readProposal } from '@/services/proposals/read';
import { parseAmount } from '@/core/number';
import { closeConnection } from '@/data/connection';
import type { Allowance, SelectionRound } from '@/model';
import { asSuggested } from '@/model';
import { line, plainDocument } from '../support/documents';
import { listMessages } from '../support/lists';
import {
  newAgreement,
  newCompany,
  refusal,
  sendIt,
  signatureFor,
  testDocument,
  visit,
} from '../support/desk';
import { asOwner } from '../support/owner';

afterAll(closeConnection);

const round = (id: string, price: string, more: Partial<SelectionRound> = {}): SelectionRound => ({
  id,
  name: `Round ${id}`,
  questions: [
    {
      id: `${id}q`,
      prompt: 'Tile',
      suggested: `${id}a`,
      alternatives: [
        { id: `${id}a`, name: 'Clay red', price, per: 'unit' },
        { id: `${id}b`, name: 'Slate grey', price: '8.40', per: 'unit' },
      ],
    },
  ],
  extras: [],
  ...more,
});

const allowance = (rule: Allowance['rule'], rounds: SelectionRound[], more: Partial<Allowance> = {}) => ({
  description: 'Floor tiles',
  unit: 'sqft' as const,
  allowance: { rule, amount: '6', fee: '25', shows: 'price' as const, rounds, ...more },
});

/** 100 sq ft of tiles at 6.00 and lamps for 500.00 at our price, and some work. */
const document = () =>
  plainDocument(
    [
      {
        id: 's',
        title: 'Sunroom',
        entries: [
          line('tiles', '100', '0', allowance('at cost, fee on the excess', [round('r1', '5.50')])),
          line('lamps', '1', '0', {
            description: 'Lamps',
            allowance: { rule: 'at our price', amount: '500', fee: '20', shows: 'price', rounds: [] },
          }),
          line('work', '1', '1000'),
        ],
      },
    ],
    { schedule: testDocument().schedule },
  );

async function offered() {
  const actor = await newCompany();
  const { agreementId, token } = await newAgreement(actor, document());
  const [tiles] = (await readAgreement(actor, agreementId)).allowances!.each;
  const [prepared] = tiles!.rounds;
  await offerRound(actor, { roundId: prepared!.id, saveNumber: prepared!.saveNumber });
  return { actor, agreementId, token, roundId: prepared!.id };
}

const sign = async (token: string, roundId: string, chosen: string, choices = asSuggested, saveNumber = 0) =>
  signRound(
    await visit(token),
    {
      roundId,
      saveNumber,
      choices,
      chosen,
      signerName: 'Test Customer',
      signature: { kind: 'typed' },
      consent: true,
      idempotencyKey: 'round-key-1',
    },
    'test',
  );

test('prepared rounds are ours alone; offered, the customer is written to, sees what is left, chooses and signs once', async () => {
  const actor = await newCompany();
  const { agreementId, token } = await newAgreement(actor, document());
  const seen = async () => (await openBooklet(await visit(token))).agreement!.allowances!;
  expect((await seen()).each.map(({ rounds }) => rounds)).toEqual([[], []]);
  expect(await seen()).toMatchObject({ spend: '1100.00', chosen: '0.00', left: '1100.00' });

  const [prepared] = (await readAgreement(actor, agreementId)).allowances!.each[0]!.rounds;
  await offerRound(actor, { roundId: prepared!.id, saveNumber: 0 });
  expect((await listMessages(actor)).find(({ kind }) => kind === 'selections')).toMatchObject({
    subject: expect.stringContaining('Round r1'),
  });
  const picked = { extras: {}, questions: { r1q: 'r1b' } };
  await chooseInRound(await visit(token), { roundId: prepared!.id, saveNumber: 0, choices: picked });
  expect((await seen()).each[0]!.rounds[0]).toMatchObject({ state: 'offered', choices: picked });
  const wrong = { extras: {}, questions: { r1q: 'gold' } };
  expect((await refusal(sign(token, prepared!.id, '840.00', wrong))).status).toBe(422);
  expect((await refusal(sign(token, prepared!.id, '800.00', picked))).detail).toContain('comes to 840.00');

  // 100 × 8.40 = 840.00 against 600.00: 240.00 over, ÷ 0.75 = 320.00.
  const answers = await Promise.all([1, 2, 3].map(() => sign(token, prepared!.id, '840.00', picked)));
  expect(answers.filter(({ repeated }) => !repeated)).toHaveLength(1);
  const after = (await readAgreement(actor, agreementId)).allowances!;
  expect(after.each[0]).toMatchObject({
    spend: '600.00',
    chosen: '840.00',
    left: '-240.00',
    due: '320.00',
    rounds: [{ state: 'signed', signed: { by: 'Test Customer', adjustment: '320.00', left: '-240.00' } }],
  });
  // Over both: 240.00 over the tiles, 500.00 left for lamps.
  expect(after).toMatchObject({ left: '260.00', due: '-180.00' });
});

test('signed while it is edited, edited while it is signed: one truth, with a sentence', async () => {
  const { actor, agreementId, token, roundId } = await offered();
  const edit = (saveNumber: number, price: string) =>
    saveRound(actor, { agreementId, lineId: 'tiles', roundId, saveNumber, round: round('r1', price) });
  await edit(0, '5.75');
  const problem = await refusal(sign(token, roundId, '550.00'));
  expect(problem.detail).toContain('was changed meanwhile');
  expect(problem.context).toMatchObject({ saveNumber: 1 });
  await sign(token, roundId, '575.00', asSuggested, 1);
  expect((await refusal(edit(1, '5.00'))).detail).toContain('was signed meanwhile');
  expect((await refusal(withdrawRound(actor, { roundId, saveNumber: 1 }))).detail).toContain(
    'signed meanwhile',
  );

  // At the very same moment: either the edit is first and the signer is told, or it is signed as it was read.
  for (let tries = 0; tries < 6; tries += 1) {
    const fresh = await offered();
    const [edited, signed] = await Promise.allSettled([
      saveRound(fresh.actor, {
        agreementId: fresh.agreementId,
        lineId: 'tiles',
        roundId: fresh.roundId,
        saveNumber: 0,
        round: round('r1', '5.75'),
      }),
      sign(fresh.token, fresh.roundId, '550.00'),
    ]);
    expect([edited.status, signed.status].sort()).toEqual(['fulfilled', 'rejected']);
    const [tiles] = (await readAgreement(fresh.actor, fresh.agreementId)).allowances!.each;
    expect(tiles!.chosen).toBe(signed.status === 'fulfilled' ? '550.00' : '0.00');
  }
  await expect(
    asOwner((tx) => tx.execute(sql`update selection_round set save_number = 9 where id = ${roundId}`)),
  ).rejects.toMatchObject({ cause: { message: expect.stringContaining('is signed') } });
});

test('two rounds on one allowance signed at once draw one after the other', async () => {
  const { actor, agreementId, token, roundId } = await offered();
  const second = await saveRound(actor, {
    agreementId,
    lineId: 'tiles',
    roundId: null,
    saveNumber: 0,
    round: round('r2', '2'),
  });
  await offerRound(actor, { roundId: second.roundId, saveNumber: 0 });
  await Promise.all([sign(token, roundId, '550.00'), sign(token, second.roundId, '200.00')]);
  const [tiles] = (await readAgreement(actor, agreementId)).allowances!.each;
  expect(tiles).toMatchObject({ chosen: '750.00', left: '-150.00', due: '200.00' });
  const adjustments = tiles!.rounds.map(({ signed }) => parseAmount(signed!.adjustment, 2));
  expect(adjustments.reduce((a, b) => a + b, 0n)).toBe(20000n);
});

test('settled by a change order for signature; afterwards nothing is left, and nothing is chosen any more', async () => {
  const { actor, agreementId, token, roundId } = await offered();
  const settle = () => settleAllowances(actor, { agreementId, lineIds: ['tiles', 'lamps'] });
  expect((await refusal(settle())).detail).toContain('still with the customer');
  await sign(token, roundId, '840.00', { extras: {}, questions: { r1q: 'r1b' } });
  const { id } = await settle();
  const { document: change } = await readProposal(actor, id);
  expect(change.sections[0]!.entries).toMatchObject([
    { settles: 'tiles', quantity: '1', heldPrice: '320.00', costs: [{ amount: '240.00' }] },
    { settles: 'lamps', quantity: '-1', heldPrice: '500.00', costs: [{ amount: '400.00' }] },
  ]);
  const before = await readAgreement(actor, agreementId);
  const second = await settle();
  const first = await signatureFor(await sendIt(actor, id));
  const secondToken = await sendIt(actor, second.id);
  await acceptProposal(first.visitor, first.input, 'test');
  const after = await readAgreement(actor, agreementId);
  expect(parseAmount(after.sumToDate, 2)).toBe(parseAmount(before.sumToDate, 2) - 18000n);
  expect(after.allowances).toMatchObject({ spend: '0.00', left: '0.00', due: '0.00' });
  expect(after.allowances!.each).toMatchObject([
    { left: '0.00', due: '0.00', settledBy: 1 },
    { left: '0.00', due: '0.00', settledBy: 1 },
  ]);
  const late = await signatureFor(secondToken);
  expect((await refusal(acceptProposal(late.visitor, late.input, 'test'))).detail).toContain(
    'settled already',
  );
  const more = saveRound(actor, {
    agreementId,
    lineId: 'tiles',
    roundId: null,
    saveNumber: 0,
    round: round('r9', '2'),
  });
  expect((await refusal(more)).detail).toContain('settled');
});

test('what was chosen after a settlement was written makes it stale', async () => {
  const { actor, agreementId, token, roundId } = await offered();
  await withdrawRound(actor, { roundId, saveNumber: 0 });
  expect((await refusal(sign(token, roundId, '550.00'))).detail).toContain('withdrawn');
  const { id } = await settleAllowances(actor, { agreementId, lineIds: ['tiles'] });
  const { visitor, input } = await signatureFor(await sendIt(actor, id));
  await offerRound(actor, { roundId, saveNumber: 0 });
  await sign(token, roundId, '550.00');
  const problem = await refusal(acceptProposal(visitor, input, 'test'));
  expect(problem.detail).toContain(
    'what was chosen changed since this was written; the difference is −50.00',
  );
});

test('another customer’s link does not lead to a round; what the customer gets names no note of ours', async () => {
  const { actor, roundId, token } = await offered();
  const { token: other } = await newAgreement(actor, document());
  expect((await refusal(sign(other, roundId, '550.00'))).status).toBe(404);
  const text = JSON.stringify(await openBooklet(await visit(token)));
  expect(text).not.toMatch(/internalNote|"costs"|SECRET/);
  // What we earn on the lamps, sold at our price, is not theirs to read; the fee on what goes beyond is.
  expect(text).not.toContain('"fee":"20"');
  expect(text).toContain('"fee":"25"');
});

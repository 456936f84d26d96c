import type { Actor } from '@/services/actor';
import { businessDate } from '@/services/actor';
import { startChangeOrder } from '@/services/proposals/changeOrder';
import { readAgreement } from '@/services/agreements/read';
import { offerRound, saveRound } from '@/services/agreements/rounds';
import type { Visitor } from '@/services/booklet/open';
import { askQuestion } from '@/services/booklet/questions';
import { signRound } from '@/services/booklet/rounds';
import { readProposal } from '@/services/proposals/read';
import { saveProposal } from '@/services/proposals/save';
import { omissionLine } from '@/core/agreements';
import { roundFigures } from '@/core/allowance';
import { parseFixed, writeAmount } from '@/core/number';
import type { Choices, Line, SpreadWay } from '@/model';

/** What the demo needs to let a signed porch go on: who sells, when, and how the customer gets at it. */
export interface Going {
  readonly seller: Actor;
  readonly timeZone: string;
  readonly ago: (days: number, hour?: number) => Date;
  readonly visit: (token: string, at: Date) => Promise<{ readonly visitor: Visitor }>;
  readonly send: (actor: Actor, proposalId: string, at: Date, person: number) => Promise<string>;
  readonly accept: (token: string, at: Date, signerName: string, mark: string) => Promise<unknown>;
}

/** A signed porch goes on: one selection signed, one late, one to come; a change order signed and one waiting. */
export async function goOn(
  going: Going,
  agreementId: string,
  token: string,
  person: number,
  signerName: string,
  gate: readonly Line[],
): Promise<void> {
  const { seller, ago, visit } = going;
  const at = (days: number, hour?: number) => ({ ...seller, now: ago(days, hour) });
  const [paving, lamps] = (await readAgreement(seller, agreementId)).allowances!.each;

  const offer = async (allowance: typeof paving, due: Date, offered: Date) => {
    const [round] = allowance!.rounds;
    const { roundId, saveNumber } = await saveRound(
      { ...seller, now: offered },
      {
        agreementId,
        lineId: allowance!.lineId,
        roundId: round!.id,
        saveNumber: round!.saveNumber,
        round: { ...round!.document, due: businessDate(due, going.timeZone) },
      },
    );
    await offerRound({ ...seller, now: offered }, { roundId, saveNumber });
    return { roundId, saveNumber, round: round!.document };
  };
  const { round, ...stones } = await offer(paving, ago(24), ago(34));
  const [question] = round.questions;
  const choices: Choices = { extras: {}, questions: { [question!.id]: question!.alternatives[2]!.id } };
  const { chosen } = roundFigures(round, choices, {
    quantity: parseFixed(paving!.quantity),
    minorDigits: 2,
  });
  await signRound(
    (await visit(token, ago(28))).visitor,
    {
      ...stones,
      choices,
      chosen: writeAmount(chosen, 2),
      signerName,
      signature: { kind: 'typed' },
      consent: true,
      idempotencyKey: 'demo-p14-paving',
    },
    'Mozilla/5.0 (a phone)',
  );
  await offer(lamps, ago(4), ago(18));

  const write = async (what: string, lines: readonly Line[], spread: SpreadWay, day: number) => {
    const { id } = await startChangeOrder(at(day), { agreementId });
    const { saveNumber, document } = await readProposal(at(day), id);
    await saveProposal(at(day), {
      proposalId: id,
      saveNumber,
      patches: [
        { op: 'replace', path: '/title', value: `Change order ${document.change!.number}: ${what}` },
        { op: 'replace', path: '/sections/0/entries', value: lines },
        { op: 'replace', path: '/change', value: { ...document.change!, spread } },
      ],
    });
    return id;
  };
  const first = await write('a gate in the guard', gate, 'next', 27);
  await going.accept(await going.send(seller, first, ago(27, 12), person), ago(25), signerName, 'p14-gate');

  const empty = await write('part of the old deck stays', [], 'last', 3);
  const agreed = (await readProposal(at(3), empty)).change!.agreed.find(
    ({ section }) => section === 'Old deck',
  )!;
  const { saveNumber } = await readProposal(at(3), empty);
  await saveProposal(at(3), {
    proposalId: empty,
    saveNumber,
    patches: [
      {
        op: 'replace',
        path: '/sections/0/entries',
        value: [omissionLine(agreed, parseFixed('60'), 'demo-o1')],
      },
    ],
  });
  const waiting = await going.send(seller, empty, ago(2), person);
  await askQuestion((await visit(waiting, ago(1, 9))).visitor, {
    words: 'Does the part that stays have to be closed off while you work?',
  });
}

import { issueInvoice } from '@/services/billing/issue';
import { readAgreement } from '@/services/agreements/read';
import { putInStage, saveStage } from '@/services/agreements/stages';
import { readProgressBilling } from '@/services/billing/progressBilling';
import type { Actor } from '@/services/actor';
import { daysAfter } from '@/services/actor';
import { openBooklet } from '@/services/booklet/open';
import { payByCard } from '@/services/booklet/payCard';
import { loadMoneyPage } from '../support/lists';
import { readSettings, saveSettings } from '@/services/settings/settings';
import { closeConnection } from '@/data/connection';
import { lastDayToCancel } from '@/core/schedule';
import { showDate } from '@/core/text/dates';
import type { CompanyMoney } from '@/model';
import { trialCards } from '@/gateways/cards/standIn';
import { readProposal } from '@/services/proposals/read';
import { startProposal } from '@/services/proposals/start';
import {
  newAgreement,
  newCompany,
  newCustomer,
  newProposal,
  refusal,
  sendIt,
  testDocument,
  visit,
} from '../support/desk';
import { cardOf } from '../../scripts/demo/cardOf';

afterAll(closeConnection);

async function withMoney(actor: Actor, money: CompanyMoney): Promise<void> {
  const { company } = await readSettings(actor);
  const { depositInvoiceOnAcceptance, validityDays, paymentDays, usual } = company;
  await saveSettings(actor, { depositInvoiceOnAcceptance, validityDays, paymentDays, usual, money });
}

describe('the deposit and the law', () => {
  test('more than the law of the place allows is not sent, where the company wants that; the sentence cites it', async () => {
    const actor = await newCompany();
    const document = testDocument();
    const half = {
      ...document,
      schedule: document.schedule.map((entry) =>
        entry.id === 'deposit' ? { ...entry, share: { percent: '50' } } : entry,
      ),
    };
    await withMoney(actor, { presets: [], deposit: { place: 'maryland', blocks: true } });
    const { detail, status } = await refusal(sendIt(actor, await newProposal(actor, half)));
    expect(status).toBe(422);
    expect(detail).toContain('Maryland Business Regulation Code § 8-617');
    await sendIt(actor, await newProposal(actor, document));
    await withMoney(actor, { presets: [], deposit: { place: 'maryland', blocks: false } });
    await sendIt(actor, await newProposal(actor, half));
  });

  test('while the customer may cancel no deposit is billed or paid, where the company works so; after that it is', async () => {
    const actor = await newCompany();
    await withMoney(actor, { presets: [], coolingOff: { holdDeposit: true } });
    const { agreementId, token } = await newAgreement(actor);
    const agreement = await readAgreement(actor, agreementId);
    expect(agreement.invoices).toEqual([]);
    const last = lastDayToCancel(agreement.today);
    const visitor = await visit(token);
    expect((await openBooklet(visitor)).agreement).toMatchObject({ cancelUntil: last, depositDue: null });
    const bill = (now: Date) =>
      issueInvoice({ ...actor, now }, { agreementId, what: { entryId: 'deposit' } });
    expect((await refusal(bill(actor.now))).detail).toContain(showDate(last));
    const card = { card: cardOf(trialCards.accepted), idempotencyKey: 'held-back-1' };
    expect((await refusal(payByCard(visitor, card))).status).toBe(409);
    expect(await loadMoneyPage(actor)).toMatchObject({ toBill: '0.00' });

    const after = new Date(`${daysAfter(last, 1)}T12:00:00Z`);
    expect((await openBooklet({ ...visitor, now: after })).agreement).toMatchObject({
      cancelUntil: null,
      depositDue: agreement.payments[0]!.amount,
    });
    expect(await loadMoneyPage({ ...actor, now: after })).toMatchObject({
      toBill: agreement.payments[0]!.amount,
    });
    await bill(after);
    expect(await loadMoneyPage({ ...actor, now: after })).toMatchObject({ toBill: '0.00' });
  });

  test('without that the right to cancel is said, and the deposit is billed at once', async () => {
    const actor = await newCompany();
    await withMoney(actor, { presets: [], coolingOff: { holdDeposit: false } });
    const { agreementId, token } = await newAgreement(actor);
    expect((await readAgreement(actor, agreementId)).invoices).toHaveLength(1);
    expect((await openBooklet(await visit(token))).agreement?.cancelUntil).not.toBeNull();
  });
});

describe('stages', () => {
  test('come from payments and phases, are planned, done and done no more; what waits for them can be billed then', async () => {
    const actor = await newCompany();
    const document = testDocument();
    const { agreementId } = await newAgreement(actor, {
      ...document,
      sections: [{ ...document.sections[0]!, phase: 'Boards' }],
      stages: [{ name: 'Frame', planned: '2031-04-05' }],
    });
    const read = async () => (await readAgreement(actor, agreementId)).stages;
    expect(await read()).toMatchObject([
      { name: 'Frame', plannedOn: '2031-04-05', lines: 0, waiting: [{ id: 'frame' }] },
      { name: 'Done', plannedOn: null, lines: 0 },
      { name: 'Boards', lines: 2 },
    ]);
    expect(await loadMoneyPage(actor)).toMatchObject({ toBill: '0.00' });
    const { today, payments } = await readAgreement(actor, agreementId);
    await saveStage(actor, { agreementId, name: 'Frame', doneOn: today });
    const frame = payments.find(({ id }) => id === 'frame')!;
    expect(await loadMoneyPage(actor)).toMatchObject({ toBill: frame.amount });
    await saveStage(actor, { agreementId, name: 'Frame', doneOn: null, plannedOn: null });
    expect((await read())[0]).toMatchObject({ doneOn: null, plannedOn: null });
    expect(await loadMoneyPage(actor)).toMatchObject({ toBill: '0.00' });
  });

  test('lines are put into them, also into a new one; a stage bills its lines', async () => {
    const actor = await newCompany();
    const { agreementId } = await newAgreement(actor);
    await putInStage(actor, { agreementId, lineIds: ['l1'], stage: 'Before the rain' });
    const { ledger } = await readProgressBilling(actor, agreementId);
    expect(ledger.lines.map(({ id, stage }) => [id, stage])).toEqual([
      ['l1', 'Before the rain'],
      ['l3', null],
    ]);
    const what = { lines: [{ stage: 'Before the rain', to: { percent: '100' } }] };
    await issueInvoice(actor, { agreementId, what });
    const { lines } = await readAgreement(actor, agreementId);
    expect(lines.map(({ id, left }) => [id, left === '0.00'])).toEqual([
      ['l1', true],
      ['l3', false],
    ]);
    await putInStage(actor, { agreementId, lineIds: ['l1'], stage: null });
    expect((await refusal(issueInvoice(actor, { agreementId, what }))).detail).toContain('no stage');
    expect((await refusal(putInStage(actor, { agreementId, lineIds: ['nowhere'], stage: 'x' }))).status).toBe(
      404,
    );
    expect((await refusal(saveStage(actor, { agreementId, name: 'nowhere', doneOn: null }))).status).toBe(
      404,
    );
  });
});

describe('what the company usually says of billing', () => {
  test('a proposal from nothing begins with it, and what is begun keeps it', async () => {
    const actor = await newCompany();
    const start = async () =>
      (await startProposal(actor, { ...(await newCustomer(actor)), title: 'Porch', templateId: null })).id;
    const plain = await start();
    const { settled } = await readSettings(actor);
    const billing = { deposit: 'advance' as const, retainage: { percent: '10', limit: '5' } };
    await saveSettings(actor, { ...settled, usual: { ...settled.usual, billing } });
    const held = await start();
    const billingOf = async (id: string) => (await readProposal(actor, id)).document.billing;
    expect(await billingOf(held)).toEqual(billing);
    expect(await billingOf(plain)).toBeUndefined();
    const booklet = await openBooklet(await visit(await sendIt(actor, await newProposal(actor))));
    expect(booklet.view.billing).toEqual({});
    expect(
      (
        await refusal(
          saveSettings(actor, { ...settled, usual: { ...settled.usual, billing: { specialOrder: '5' } } }),
        )
      ).code,
    ).toBe('not-well-formed');
  });
});

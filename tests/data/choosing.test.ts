import { eq } from 'drizzle-orm';
import { addUser } from '@/services/entering/createCompany';
import type { Actor } from '@/services/actor';
import { chooseInBooklet } from '@/services/booklet/choose';
import { acceptProposal } from '@/services/booklet/accept';
import { bookletMark, bookletSince } from '@/services/booklet/fresh';
import { openBooklet } from '@/services/booklet/open';
import { askQuestion } from '@/services/booklet/questions';
import { previewBooklet } from '@/services/booklet/preview';
import { saveCustomer } from '@/services/customers/customers';
import type { Problem } from '@/services/problem';
import { recordPayment } from '@/services/payments/payments';
import { answerApproval, askApproval, waitingApprovals } from '@/services/proposals/approval';
import { presetChoices } from '@/services/proposals/preset';
import { readProposal } from '@/services/proposals/read';
import { saveProposal } from '@/services/proposals/save';
import { sendProposal } from '@/services/proposals/send';
import { startProposal } from '@/services/proposals/start';
import { readSettings, saveSettings } from '@/services/settings/settings';
import { closeConnection, inCompany } from '@/data/connection';
import { approval } from '@/data/schema';
import { showDecimal } from '@/core/number';
import type { Choices, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { newCompany, newProposal, sendIt, signatureFor, testDocument, visit } from '../support/desk';
import { listMessages } from '../support/lists';

afterAll(closeConnection);

const ash: Choices = { extras: {}, questions: { q1: 'a2' } };
const withExtra: Choices = { extras: { l2: { in: true } }, questions: {} };
const status = (code: number) => ({ details: { status: code } });

async function sent(document?: ProposalDocument) {
  const actor = await newCompany();
  const proposalId = await newProposal(actor, document);
  const token = await sendIt(actor, proposalId);
  const { revision } = await openBooklet(await visit(token));
  return { actor, proposalId, token, revisionId: revision.id };
}

describe('two who hold one link', () => {
  test('choosing at once: one is kept, the other is told with how it stands, and can go on from there', async () => {
    const { token, revisionId } = await sent();
    const [one, two] = await Promise.allSettled(
      [ash, withExtra].map(async (choices) =>
        chooseInBooklet(await visit(token), { revisionId, choices, seen: 0 }),
      ),
    );
    const kept = [one, two].find((each) => each!.status === 'fulfilled') as PromiseFulfilledResult<{
      choices: Choices;
      number: number;
    }>;
    const told = [one, two].find((each) => each!.status === 'rejected') as PromiseRejectedResult;
    expect(told.reason).toMatchObject(status(409));
    expect(told.reason.details.context.now).toMatchObject({ choices: kept.value.choices, number: 1 });
    expect((await openBooklet(await visit(token))).choices).toEqual(kept.value.choices);
    const next = await chooseInBooklet(await visit(token), { revisionId, choices: withExtra, seen: 1 });
    expect(next.number).toBe(2);
  });

  test('who did not see the other’s choices cannot sign for them, nor away from them', async () => {
    const { token, revisionId } = await sent();
    const behind = await signatureFor(token);
    await chooseInBooklet(await visit(token), { revisionId, choices: ash, seen: 0 });
    await expect(acceptProposal(behind.visitor, behind.input, 'test')).rejects.toMatchObject(status(409));
    const now = await signatureFor(token);
    expect(now.input.choices).toEqual(ash);
    await acceptProposal(now.visitor, now.input, 'test');
  });

  test('the same choice twice, as after a lost answer, is no quarrel', async () => {
    const { token, revisionId } = await sent();
    await chooseInBooklet(await visit(token), { revisionId, choices: ash, seen: 0 });
    const again = await chooseInBooklet(await visit(token), { revisionId, choices: ash, seen: 0 });
    expect(again.choices).toEqual(ash);
  });
});

test('a rule and a day are kept by the server, whatever a page sends', async () => {
  const document = testDocument();
  const today = new Date().toISOString().slice(0, 10);
  const [section] = document.sections;
  const dated: ProposalDocument = {
    ...document,
    sections: [
      {
        ...section!,
        entries: section!.entries.map((entry) =>
          entry.kind === 'question' ? { ...entry, until: today } : entry,
        ),
      },
    ],
    rules: [
      {
        id: 'r',
        when: { extra: 'l2' },
        says: 'rules out',
        other: { question: 'q1', alternative: 'a1' },
      },
    ],
  };
  const { token, revisionId } = await sent(dated);
  // The next day, when it is over; a proposal with a day that is over is not even sent.
  const now = new Date(Date.now() + 24 * 3600_000);
  const choose = async (choices: Choices) =>
    chooseInBooklet({ ...(await visit(token)), now }, { revisionId, choices });
  await expect(choose(withExtra)).rejects.toThrow('does not go with');
  await expect(choose(ash)).rejects.toThrow('This could be decided until');
  expect((await openBooklet(await visit(token))).choices).toEqual(asSuggested);
  const past = {
    ...dated,
    sections: [
      {
        ...dated.sections[0]!,
        entries: dated.sections[0]!.entries.map((entry) =>
          entry.kind === 'question' ? { ...entry, until: '2001-01-01' } : entry,
        ),
      },
    ],
  };
  const { details } = await sent(past).then(
    () => ({ details: null }),
    (error: Problem) => error,
  );
  expect(details).toMatchObject({
    status: 422,
    detail: expect.stringContaining('could be decided until 1 January 2001, which is over'),
  });
});

test('choices said on the phone: the customer finds them, the desk sees whose they are; another company cannot', async () => {
  const { actor, proposalId, token, revisionId } = await sent();
  expect((await previewBooklet(actor, proposalId)).asSent).toBe(true);
  await presetChoices(actor, { revisionId, choices: ash });
  expect((await openBooklet(await visit(token))).choices).toEqual(ash);
  expect((await readProposal(actor, proposalId)).picks).toMatchObject({
    revision: 1,
    words: ['Ash'],
    by: 'Test Owner',
  });
  await chooseInBooklet(await visit(token), { revisionId, choices: withExtra, seen: 1 });
  expect((await readProposal(actor, proposalId)).picks).toMatchObject({ by: null });

  const office = await addUser(actor, {
    name: 'Office',
    email: `office-${proposalId}@test.example`,
    password: 'gable-otter-91',
    role: 'office',
  });
  await expect(presetChoices(office, { revisionId, choices: ash })).rejects.toMatchObject(status(403));
  const stranger = await newCompany();
  await expect(presetChoices(stranger, { revisionId, choices: ash })).rejects.toMatchObject(status(404));
  const { visitor, input } = await signatureFor(token);
  await acceptProposal(visitor, input, 'test');
  await expect(presetChoices(actor, { revisionId, choices: ash })).rejects.toMatchObject(status(409));
});

describe('below the limits nobody sends without the owner’s yes', () => {
  async function limited(): Promise<{ owner: Actor; seller: Actor; proposalId: string }> {
    const owner = await newCompany();
    const { company } = await readSettings(owner);
    const { depositInvoiceOnAcceptance, validityDays, paymentDays, usual } = company;
    await saveSettings(owner, {
      depositInvoiceOnAcceptance,
      validityDays,
      paymentDays,
      usual,
      // Profit is 31 % of cost, a margin of 23.7 %.
      pricing: { loadSets: [], limits: { margin: '20', discount: '3' } },
    });
    const seller = await addUser(owner, {
      name: 'Seller',
      email: `seller-${owner.companyId}@test.example`,
      password: 'gable-otter-91',
      role: 'seller',
    });
    return { owner, seller, proposalId: await newProposal(seller) };
  }
  const discount = async (actor: Actor, proposalId: string, percent: string) => {
    const { saveNumber } = await readProposal(actor, proposalId);
    await saveProposal(actor, {
      proposalId,
      saveNumber,
      patches: [{ op: 'add', path: '/discount', value: { percent } }],
    });
    return saveNumber + 1;
  };
  const send = (actor: Actor, proposalId: string, saveNumber: number) =>
    sendProposal(actor, { proposalId, saveNumber, to: 'c@test.example', words: '' });

  test('asked, answered once, and good for exactly this state', async () => {
    const { owner, seller, proposalId } = await limited();
    await expect(askApproval(seller, { proposalId, saveNumber: 0, words: '' })).rejects.toThrow(
      'Nothing about this proposal needs',
    );
    const saveNumber = await discount(seller, proposalId, '5');
    await expect(send(seller, proposalId, saveNumber)).rejects.toMatchObject(status(403));
    await askApproval(seller, { proposalId, saveNumber, words: 'They bring two neighbours.' });
    await expect(askApproval(seller, { proposalId, saveNumber, words: '' })).rejects.toThrow('asked already');
    const [asked] = await waitingApprovals(owner);
    expect(asked).toMatchObject({ askedBy: 'Seller', words: 'They bring two neighbours.', verdict: null });
    expect(asked!.reasons).toEqual([
      expect.stringMatching(/^The margin can fall to 19\.\d %, below 20 %/),
      expect.stringMatching(/^Discounts take off 5(\.0)? % of the prices; a seller may give 3 %/),
    ]);
    await expect(
      answerApproval(seller, { approvalId: asked!.id, verdict: 'yes', answer: '' }),
    ).rejects.toMatchObject(status(403));
    await answerApproval(owner, { approvalId: asked!.id, verdict: 'yes', answer: 'This once.' });
    await expect(
      answerApproval(owner, { approvalId: asked!.id, verdict: 'no', answer: '' }),
    ).rejects.toMatchObject(status(409));
    expect(await waitingApprovals(owner)).toEqual([]);
    // Changed after the yes, it has to be asked anew.
    const changed = await discount(seller, proposalId, '6');
    await expect(send(seller, proposalId, changed)).rejects.toMatchObject(status(403));
    const back = await discount(seller, proposalId, '2');
    expect((await send(seller, proposalId, back)).revision).toBe(1);
  });

  test('a no says why; the owner’s own sending is a yes on record', async () => {
    const { owner, seller, proposalId } = await limited();
    const saveNumber = await discount(seller, proposalId, '30');
    await askApproval(seller, { proposalId, saveNumber, words: '' });
    const [asked] = await waitingApprovals(owner);
    await answerApproval(owner, { approvalId: asked!.id, verdict: 'no', answer: 'Not at a loss.' });
    await expect(send(seller, proposalId, saveNumber)).rejects.toThrow('Not at a loss.');
    const higher = await discount(seller, proposalId, '9');
    await send(owner, proposalId, higher);
    expect((await readProposal(owner, proposalId)).approvals.map(({ verdict }) => verdict)).toEqual([
      'yes',
      'no',
    ]);
  });

  test('an answer is never changed, by SQL from the application’s role neither', async () => {
    const { owner, seller, proposalId } = await limited();
    const saveNumber = await discount(seller, proposalId, '30');
    await askApproval(seller, { proposalId, saveNumber, words: '' });
    const [asked] = await waitingApprovals(owner);
    await answerApproval(owner, { approvalId: asked!.id, verdict: 'no', answer: '' });
    await expect(
      inCompany(owner.companyId, (tx) =>
        tx.update(approval).set({ verdict: 'yes' }).where(eq(approval.id, asked!.id)),
      ),
    ).rejects.toThrow();
    await expect(
      inCompany(owner.companyId, (tx) =>
        tx.update(approval).set({ reasons: [] }).where(eq(approval.id, asked!.id)),
      ),
    ).rejects.toThrow();
  });
});

test('a customer who pays no tax: their proposals start so, with the reason', async () => {
  const actor = await newCompany();
  const { id: customerId, siteId } = await saveCustomer(actor, {
    name: 'Public School',
    contactName: '',
    email: '',
    phone: '',
    billing: { street: '2 Trial Row', city: 'Marrowby', region: '', postcode: '', country: 'US' },
    internalNote: '',
    taxExempt: 'Certificate ST-5, no. 4417',
  });
  const { id } = await startProposal(actor, {
    customerId,
    siteId: siteId!,
    title: 'Classroom',
    templateId: null,
  });
  expect((await readProposal(actor, id)).document.tax).toEqual({
    exempt: { reason: 'Certificate ST-5, no. 4417' },
  });
});

describe('a new revision', () => {
  const edited = async (actor: Actor, proposalId: string, patches: unknown[]) => {
    const { saveNumber } = await readProposal(actor, proposalId);
    await saveProposal(actor, { proposalId, saveNumber, patches });
  };

  test('keeps what was chosen, tells what it could not keep, and compares what they had', async () => {
    const { actor, proposalId, token, revisionId } = await sent();
    const picked: Choices = {
      extras: { l2: { in: true, quantity: '3' } },
      questions: { q1: 'a2' },
    };
    await chooseInBooklet(await visit(token), { revisionId, choices: picked, seen: 0 });
    const had = (await openBooklet(await visit(token))).view.total;
    // The extra goes up to two only; the boards stay on offer.
    await edited(actor, proposalId, [
      { op: 'replace', path: '/sections/0/entries/1/extra/quantity/maximum', value: '2' },
    ]);
    const { chosen } = await readProposal(actor, proposalId);
    expect(chosen!.choices).toEqual(picked);
    const preview = await previewBooklet(actor, proposalId);
    expect(preview.choices).toEqual({ extras: { l2: { in: true } }, questions: { q1: 'a2' } });

    await sendIt(actor, proposalId);
    const booklet = await openBooklet(await visit(token));
    expect(booklet.revision.number).toBe(2);
    expect(booklet.choices).toEqual(preview.choices);
    expect(booklet.kept!.lost).toMatchObject([{ about: 'Line l2', picked: '3' }]);
    // What differs is what they had: Ash before and after is no difference, the extra is.
    const changed = booklet.changesSince.map(({ what, before, after }) => `${what}: ${before} → ${after}`);
    expect(changed.some((each) => each.includes('Ash'))).toBe(false);
    expect(changed.some((each) => each.includes(showDecimal(had)))).toBe(true);
    expect((await listMessages(actor))[0]!.body).toContain(
      `With what you chose it comes to ${showDecimal(booklet.view.total)}`,
    );
    // At the desk the picks stand with the day they were made.
    expect((await readProposal(actor, proposalId)).picks).toMatchObject({
      revision: 2,
      words: expect.arrayContaining(['Ash']),
      by: null,
    });
    // The first change on the new one counts from there, and then nothing is told any more.
    const on = { revisionId: booklet.revision.id, seen: 0 };
    await chooseInBooklet(await visit(token), { ...on, choices: { ...booklet.choices, questions: {} } });
    expect((await openBooklet(await visit(token))).kept).toBeNull();

    // Signed as kept.
    const { visitor, input } = await signatureFor(token);
    expect(input.choices.extras).toEqual({ l2: { in: true } });
    await acceptProposal(visitor, input, 'test');
  });

  test('with everything still on offer loses nothing; sent twice more, what was chosen first still stands', async () => {
    const { actor, proposalId, token, revisionId } = await sent();
    await chooseInBooklet(await visit(token), { revisionId, choices: ash, seen: 0 });
    for (const quantity of ['13', '14']) {
      await edited(actor, proposalId, [
        { op: 'replace', path: '/sections/0/entries/0/quantity', value: quantity },
      ]);
      await sendIt(actor, proposalId);
      expect(await openBooklet(await visit(token))).toMatchObject({ choices: ash, kept: { lost: [] } });
    }
  });
});

test('an open booklet is told when something changed, and only then', async () => {
  const { actor, proposalId, token, revisionId } = await sent();
  const first = await bookletMark(await visit(token));
  expect(await bookletSince(await visit(token), first)).toEqual({ mark: first, booklet: null });
  const marks = new Set([first]);
  const changed = async () => {
    const { mark, booklet } = await bookletSince(await visit(token), [...marks].at(-1)!);
    expect([marks.has(mark), booklet === null]).toEqual([false, false]);
    marks.add(mark);
    return booklet!;
  };
  await chooseInBooklet(await visit(token), { revisionId, choices: ash, seen: 0 });
  expect((await changed()).choices).toEqual(ash);
  await askQuestion(await visit(token), { words: 'Three steps?' });
  expect((await changed()).questions).toHaveLength(1);
  await sendIt(actor, proposalId);
  expect((await changed()).revision.number).toBe(2);
  const { visitor, input } = await signatureFor(token);
  const { agreementId } = await acceptProposal(visitor, input, 'test');
  expect((await changed()).agreement).not.toBeNull();
  await recordPayment(actor, {
    agreementId,
    method: 'cash',
    amount: '10',
    receivedOn: new Date().toISOString().slice(0, 10),
    reference: '',
    idempotencyKey: `mark-${proposalId}`,
    sure: true,
  });
  await changed();
});

import { sql } from 'drizzle-orm';
import {
  checkCertificate,
  readCertificates,
  visitorCertificates,
  visitorStatement,
} from '@/services/booklet/certificate';
import { readAgreement } from '@/services/agreements/read';
import { acceptForCustomer, acceptProposal } from '@/services/booklet/accept';
import { chooseInBooklet } from '@/services/booklet/choose';
import { declineProposal } from '@/services/booklet/decide';
import { openBooklet } from '@/services/booklet/open';
import { answerQuestion, askQuestion, waitingQuestions } from '@/services/booklet/questions';
import { compareRevisions } from '@/services/proposals/compare';
import { readProposal } from '@/services/proposals/read';
import { reopenProposal, saveProposal } from '@/services/proposals/save';
import { withdrawProposal } from '@/services/proposals/withdraw';
import { sha256 } from '@/services/secrets';
import { closeConnection } from '@/data/connection';
import {
  newAgreement,
  newCompany,
  newProposal,
  refusal,
  sendIt,
  signatureFor,
  testDocument,
  visit,
} from '../support/desk';
import { asOwner } from '../support/owner';
import { listMessages } from '../support/lists';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const set = async (
  actor: Awaited<ReturnType<typeof newCompany>>,
  proposalId: string,
  path: string,
  value: unknown,
) => {
  const { saveNumber } = await readProposal(actor, proposalId);
  await saveProposal(actor, { proposalId, saveNumber, patches: [{ op: 'add', path, value }] });
};

test('a question is kept with the proposal, answered once, and both read it', async () => {
  const actor = await newCompany();
  const proposalId = await newProposal(actor);
  const token = await sendIt(actor, proposalId);
  const visitor = await visit(token);
  await askQuestion(visitor, { words: 'Does the deck come with stairs? ' });
  expect((await refusal(askQuestion(visitor, { words: ' ' }))).status).toBe(422);
  const [waiting] = await waitingQuestions(actor);
  expect(waiting).toMatchObject({ words: 'Does the deck come with stairs?', proposalId });
  const answer = { questionId: waiting!.id, answer: 'Yes, three steps.' };
  await answerQuestion(actor, answer);
  expect((await refusal(answerQuestion(actor, answer))).detail).toContain('answered already');
  expect(await waitingQuestions(actor)).toEqual([]);
  const both = [(await openBooklet(visitor)).questions, (await readProposal(actor, proposalId)).questions];
  for (const asked of both) expect(asked).toMatchObject([{ answer: 'Yes, three steps.' }]);
  expect((await listMessages(actor)).some(({ body }) => body.includes('Yes, three steps.'))).toBe(true);
  await expect(
    asOwner((tx) => tx.execute(sql`update customer_question set answer = 'No' where id = ${waiting!.id}`)),
  ).rejects.toMatchObject({ cause: { message: expect.stringContaining('answered once') } });
  // Office people read it, and do not speak for the sellers.
  expect((await refusal(answerQuestion(inRole(actor, 'office'), answer))).status).toBe(403);
});

test('a yes by phone: to the choices as they stand, with how and when, on the certificate as recorded', async () => {
  const actor = await newCompany();
  const proposalId = await newProposal(actor);
  const token = await sendIt(actor, proposalId);
  const booklet = await openBooklet(await visit(token));
  await chooseInBooklet(await visit(token), {
    revisionId: booklet.revision.id,
    choices: { extras: {}, questions: { q1: 'a2' } },
  });
  const { decided } = await readProposal(actor, proposalId);
  const yes = {
    proposalId,
    revisionId: decided!.revisionId,
    total: decided!.total,
    signerName: 'Test Customer',
    told: { kind: 'told', how: 'by phone', on: decided!.today, words: 'called back at noon' },
    idempotencyKey: 'phone-key-1',
  };
  expect((await refusal(acceptForCustomer(actor, { ...yes, total: booklet.view.total }))).status).toBe(409);
  expect(
    (await refusal(acceptForCustomer(actor, { ...yes, told: { ...yes.told, on: '2999-01-01' } }))).detail,
  ).toContain('a day to come');
  expect((await refusal(acceptForCustomer(inRole(actor, 'office'), yes))).status).toBe(403);
  const { agreementId } = await acceptForCustomer(actor, yes);
  const again = await acceptForCustomer(actor, yes);
  expect(again).toMatchObject({ agreementId, repeated: true });
  const { signature, total } = await readAgreement(actor, agreementId);
  expect(signature).toEqual(yes.told);
  expect(total).toBe(decided!.total);
  const { certificates } = await readCertificates(actor, agreementId);
  expect(certificates).toMatchObject([
    { signer: 'Test Customer', recordedBy: actor.name, choices: ['Ash'], intact: true },
  ]);
  expect((await listMessages(actor)).some(({ body }) => body.includes('you told us by phone'))).toBe(true);
  // A customer cannot sign with a signature that only we may record.
  const other = await signatureFor(await sendIt(actor, await newProposal(actor)));
  const forged = acceptProposal(other.visitor, { ...other.input, signature: yes.told }, 'test');
  expect((await refusal(forged)).status).toBe(422);
});

test('declined, taken back, lapsed: taken up again as a draft, which the customer reads; a new revision opens it', async () => {
  const actor = await newCompany();
  const proposalId = await newProposal(actor);
  const token = await sendIt(actor, proposalId);
  const before = await signatureFor(token);
  await declineProposal(before.visitor, { revisionId: before.input.revisionId, reason: 'Too dear' });
  await reopenProposal(actor, proposalId);
  expect((await refusal(reopenProposal(actor, proposalId))).detail).toContain('it is open');
  const reading = await openBooklet(await visit(token));
  expect(reading).toMatchObject({ state: 'revising', offer: null });
  expect((await refusal(acceptProposal(before.visitor, before.input, 'test'))).detail).toContain(
    'being revised',
  );
  await set(actor, proposalId, '/sections/0/entries/0/quantity', '10');
  await sendIt(actor, proposalId);
  const fresh = await openBooklet(await visit(token));
  expect(fresh.state).toBe('open');
  expect(fresh.changesSince.map(({ what }) => what)).toContain('Line l1');
  expect(JSON.stringify(fresh.changesSince)).not.toMatch(/SECRET/);

  await withdrawProposal(actor, proposalId);
  await reopenProposal(actor, proposalId);
  await sendIt(actor, proposalId);
  // Over the day its prices hold until: it lapses by itself; taken up again, they hold for the usual days.
  await set(actor, proposalId, '/coverNote', 'x').catch(() => undefined);
  const { saveNumber, document } = await readProposal(actor, proposalId);
  await saveProposal(actor, {
    proposalId,
    saveNumber,
    patches: [{ op: document.validUntil ? 'replace' : 'add', path: '/validUntil', value: '2020-01-31' }],
  });
  expect((await readProposal(actor, proposalId)).state).toBe('lapsed');
  await reopenProposal(actor, proposalId);
  const after = await readProposal(actor, proposalId);
  expect(after.state).toBe('draft');
  expect(after.document.validUntil! > '2026-01-01').toBe(true);
  const { agreementId } = await newAgreement(actor);
  const signedId = (await readAgreement(actor, agreementId)).proposalId;
  expect((await refusal(reopenProposal(actor, signedId))).detail).toContain('change order');
});

test('two revisions line by line, with our cost for us', async () => {
  const actor = await newCompany();
  const proposalId = await newProposal(actor);
  await sendIt(actor, proposalId);
  await set(actor, proposalId, '/sections/0/entries/0/quantity', '13');
  await sendIt(actor, proposalId);
  await set(actor, proposalId, '/sections/0/entries/0/quantity', '11');
  const changes = await compareRevisions(actor, { proposalId, from: 1, to: 2 });
  expect(changes.lines).toMatchObject([
    {
      name: 'Line l1',
      before: { quantity: '12', cost: '5007.72' },
      after: { quantity: '13', cost: '5425.03' },
    },
  ]);
  const now = await compareRevisions(actor, { proposalId, from: 2, to: null });
  expect(now.lines[0]).toMatchObject({ after: { quantity: '11' } });
  expect((await refusal(compareRevisions(actor, { proposalId, from: 2, to: 9 }))).detail).toContain(
    'no revision 9',
  );
});

test('whoever holds a statement can check it; what was tampered with is seen everywhere', async () => {
  const actor = await newCompany();
  const { agreementId, token } = await newAgreement(actor);
  const { certificates } = await visitorCertificates(await visit(token));
  const [certificate] = certificates;
  const statement = await visitorStatement(await visit(token), certificate!.sha256);
  expect(sha256(statement)).toBe(certificate!.sha256);
  expect(statement).not.toMatch(/SECRET|costs/);
  const ask = (hash: string) => checkCertificate({ sha256: hash }, `10.0.0.${Math.random()}`, new Date());
  expect(await ask(certificate!.sha256)).toMatchObject({ signer: 'Test Customer', intact: true });
  expect(await ask(sha256(`${statement} `))).toBeNull();
  expect((await refusal(ask('short'))).status).toBe(422);
  const { token: other } = await newAgreement(actor);
  expect((await refusal(visitorStatement(await visit(other), certificate!.sha256))).status).toBe(404);

  // Someone with the keys of the database changes a frozen document behind our back.
  const { proposalId } = await readAgreement(actor, agreementId);
  await asOwner(async (tx) => {
    await tx.execute(sql`alter table revision disable trigger append_only`);
    await tx.execute(
      sql`update revision set canonical = replace(canonical, '"quantity":"12"', '"quantity":"13"') where proposal_id = ${proposalId}`,
    );
    await tx.execute(sql`alter table revision enable trigger append_only`);
  });
  expect((await readProposal(actor, proposalId)).revisions).toMatchObject([{ intact: false }]);
  expect((await readCertificates(actor, agreementId)).certificates[0]!.intact).toBe(false);
  expect((await ask(certificate!.sha256))!.intact).toBe(false);
  expect((await refusal(openBooklet(await visit(token)))).detail).toContain('its seal does not fit');
});

test('a document whose stored text was changed before it was signed cannot be signed', async () => {
  const actor = await newCompany();
  const token = await sendIt(actor, await newProposal(actor, testDocument()));
  const { visitor, input } = await signatureFor(token);
  await asOwner(async (tx) => {
    await tx.execute(sql`alter table revision disable trigger append_only`);
    await tx.execute(
      sql`update revision set canonical = replace(canonical, '"quantity":"12"', '"quantity":"99"') where id = ${input.revisionId}`,
    );
    await tx.execute(sql`alter table revision enable trigger append_only`);
  });
  expect((await refusal(acceptProposal(visitor, input, 'test'))).detail).toContain('its seal does not fit');
});

import { eq, sql } from 'drizzle-orm';
import { readAgreement } from '@/services/agreements/read';
import { chooseInBooklet } from '@/services/booklet/choose';
import { acceptProposal } from '@/services/booklet/accept';
import { declineProposal } from '@/services/booklet/decide';
import { openBooklet } from '@/services/booklet/open';
import { listProposals, readProposal } from '@/services/proposals/read';
import { saveProposal } from '@/services/proposals/save';
import { withdrawMany, withdrawProposal } from '@/services/proposals/withdraw';
import { revokeLinks } from '@/services/proposals/send';
import { sha256 } from '@/services/secrets';
import { closeConnection, inCompany } from '@/data/connection';
import { agreement, audit, customer, invoice } from '@/data/schema';
import { newAgreement, newCompany, newProposal, sendIt, signatureFor, visit, refusal } from '../support/desk';
import { asOwner } from '../support/owner';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

describe('accepting', () => {
  test('a double tap, two browsers and a retry make one agreement and one deposit invoice', async () => {
    const actor = await newCompany();
    const token = await sendIt(actor, await newProposal(actor));
    const one = await signatureFor(token, 'same-tap-key');
    const other = await signatureFor(token, 'other-browser-key');
    const answers = await Promise.all(
      [one, one, other, other].map(({ visitor, input }) => acceptProposal(visitor, input, 'test')),
    );
    const later = await acceptProposal(one.visitor, one.input, 'test');
    expect(new Set([...answers, later].map(({ agreementId }) => agreementId)).size).toBe(1);
    expect(later.repeated).toBe(true);
    const counts = await inCompany(actor, async (tx) => [
      await tx.select().from(agreement),
      await tx.select().from(invoice),
    ]);
    expect(counts.map((rows) => rows.length)).toEqual([1, 1]);
  });

  test('binds the signer, the choices and the consent to the hash of the frozen revision', async () => {
    const actor = await newCompany();
    const { agreementId } = await newAgreement(actor);
    const signed = await readAgreement(actor, agreementId);
    const [frozen] = await asOwner(
      async (tx) =>
        (
          await tx.execute<{ canonical: string }>(
            sql`select canonical from revision where sha256 = ${signed.revisionSha256} limit 1`,
          )
        ).rows,
    );
    expect(sha256(frozen!.canonical)).toBe(signed.revisionSha256);
    expect(signed.consent).toContain('I accept');
  });

  test('a replaced revision is refused and says what changed; the new one can be accepted', async () => {
    const actor = await newCompany();
    const proposalId = await newProposal(actor);
    const token = await sendIt(actor, proposalId);
    const old = await signatureFor(token);
    await saveProposal(actor, {
      proposalId,
      saveNumber: 0,
      patches: [{ op: 'replace', path: '/sections/0/entries/0/quantity', value: '13' }],
    });
    await sendIt(actor, proposalId);
    const problem = await refusal(acceptProposal(old.visitor, old.input, 'test'));
    expect(problem.status).toBe(409);
    const changes = problem.context?.changes as { what: string }[];
    expect(changes.map(({ what }) => what)).toEqual(expect.arrayContaining(['Total', 'Line l1']));
    const fresh = await signatureFor(token);
    expect((await acceptProposal(fresh.visitor, fresh.input, 'test')).repeated).toBe(false);
  });

  test('a total other than the one the signer saw is refused', async () => {
    const actor = await newCompany();
    const { visitor, input } = await signatureFor(await sendIt(actor, await newProposal(actor)));
    const choices = { extras: {}, questions: { q1: 'a2' } };
    expect((await refusal(acceptProposal(visitor, { ...input, choices }, 'test'))).detail).toContain(
      'choices changed meanwhile',
    );
  });

  test.each([
    ['without a name', { signerName: '  ' }],
    ['without consent', { consent: false }],
    [
      'with a drawn signature that holds script',
      { signature: { kind: 'drawn', path: '<script>alert(1)</script>', width: 100, height: 50 } },
    ],
    ['with an alternative that is not offered', { choices: { extras: {}, questions: { q1: 'gold' } } }],
    ['with a field nobody knows', { discount: '100' }],
  ])('%s it is refused and nothing is stored', async (_, wrong) => {
    const actor = await newCompany();
    const { visitor, input } = await signatureFor(await sendIt(actor, await newProposal(actor)));
    expect((await refusal(acceptProposal(visitor, { ...input, ...wrong }, 'test'))).status).toBe(422);
    expect((await listProposals(actor))[0]?.state).toBe('sent');
  });
});

describe('choosing and declining', () => {
  test('choices stay for the next browser and are as the core computes them', async () => {
    const actor = await newCompany();
    const token = await sendIt(actor, await newProposal(actor));
    const booklet = await openBooklet(await visit(token));
    const question = booklet.view.sections[0]!.entries.find((entry) => entry.kind === 'question');
    const shown = question?.kind === 'question' ? question.alternatives[1]!.difference : '';
    const { view } = await chooseInBooklet(await visit(token), {
      revisionId: booklet.revision.id,
      choices: { extras: {}, questions: { q1: 'a2' } },
    });
    const cents = (text: string) => BigInt(text.replace('.', ''));
    // Told before tax, as the sections are.
    const net = (of: typeof view) => cents(of.total) - cents(of.taxTotal);
    expect(net(view) - net(booklet.view)).toBe(cents(shown));
    expect((await openBooklet(await visit(token))).view.total).toBe(view.total);
  });

  test('a no is kept with its reason, twice is once, and it closes the proposal', async () => {
    const actor = await newCompany();
    const proposalId = await newProposal(actor);
    const token = await sendIt(actor, proposalId);
    const { visitor, input } = await signatureFor(token);
    await declineProposal(visitor, { revisionId: input.revisionId, reason: 'Too dear' });
    await declineProposal(visitor, { revisionId: input.revisionId, reason: 'Too dear' });
    expect(await readProposal(actor, proposalId)).toMatchObject({
      state: 'declined',
      declinedBecause: 'Too dear',
    });
    expect((await refusal(acceptProposal(visitor, input, 'test'))).detail).toContain('declined');
  });

  test('nothing can be decided on what was taken back, and a revoked link leads nowhere', async () => {
    const actor = await newCompany();
    const proposalId = await newProposal(actor);
    const token = await sendIt(actor, proposalId);
    const { visitor, input } = await signatureFor(token);
    await withdrawProposal(actor, proposalId);
    expect((await refusal(acceptProposal(visitor, input, 'test'))).detail).toContain('withdrawn');
    await revokeLinks(actor, proposalId);
    expect((await refusal(visit(token))).status).toBe(410);
  });
});

describe('two editors', () => {
  const patch = (path: string, value: unknown) => [{ op: 'add', path, value }];

  test('a late save changes nothing and is told what changed', async () => {
    const actor = await newCompany();
    const proposalId = await newProposal(actor);
    await saveProposal(actor, { proposalId, saveNumber: 0, patches: patch('/title', 'First') });
    const problem = await refusal(
      saveProposal(actor, { proposalId, saveNumber: 0, patches: patch('/title', 'Second') }),
    );
    expect(problem).toMatchObject({
      status: 409,
      context: { saveNumber: 1, patches: patch('/title', 'First') },
    });
    expect((await readProposal(actor, proposalId)).document.title).toBe('First');
  });

  test('the same change asked again after a lost answer is the same save', async () => {
    const actor = await newCompany();
    const proposalId = await newProposal(actor);
    const input = { proposalId, saveNumber: 0, patches: patch('/title', 'Once') };
    expect(await saveProposal(actor, input)).toEqual({ saveNumber: 1 });
    expect(await saveProposal(actor, input)).toEqual({ saveNumber: 1 });
    expect((await readProposal(actor, proposalId)).saveNumber).toBe(1);
  });

  test('two saves at the same moment: one goes in', async () => {
    const actor = await newCompany();
    const proposalId = await newProposal(actor);
    const tries = ['A', 'B', 'C'].map((title) =>
      saveProposal(actor, { proposalId, saveNumber: 0, patches: patch('/title', title) }),
    );
    const settled = await Promise.allSettled(tries);
    expect(settled.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
  });

  test.each([
    ['/sections/0/entries/0/quantity', 'twelve'],
    ['/sections/0/entries/0/taxClass', 'gone'],
    ['/sections/9/title', 'x'],
    ['/__proto__/polluted', 'x'],
    ['/total', '1.00'],
  ])('a change that does not fit (%s) is refused whole', async (path, value) => {
    const actor = await newCompany();
    const proposalId = await newProposal(actor);
    const problem = await refusal(
      saveProposal(actor, {
        proposalId,
        saveNumber: 0,
        patches: [...patch('/title', 'Half'), { op: 'add', path, value }],
      }),
    );
    expect(problem.status).toBe(422);
    expect(await readProposal(actor, proposalId)).toMatchObject({
      saveNumber: 0,
      document: { title: 'Example' },
    });
  });
});

describe('companies do not see each other', () => {
  test('through the acts', async () => {
    const ours = await newCompany();
    const theirs = await newCompany();
    const proposalId = await newProposal(theirs);
    expect((await refusal(readProposal(ours, proposalId))).status).toBe(404);
    expect(await listProposals(ours)).toEqual([]);
  });
  test('nor when a query forgets the company: row level security', async () => {
    const ours = await newCompany();
    const theirs = await newCompany();
    await newProposal(theirs);
    expect(await inCompany(ours.companyId, (tx) => tx.select().from(customer))).toEqual([]);
    const foreign = inCompany(ours.companyId, (tx) =>
      tx.execute(
        sql`insert into number_series (company_id, series, last) values (${theirs.companyId}, 'x', 1)`,
      ),
    );
    await expect(foreign).rejects.toMatchObject({
      cause: { message: expect.stringContaining('row-level security') },
    });
  });
});

test('several are taken back at once; what is closed, or another company’s, is passed over', async () => {
  const [actor, other] = [await newCompany(), await newCompany()];
  const [one, two, closed] = [await newProposal(actor), await newProposal(actor), await newProposal(actor)];
  const theirs = await newProposal(other);
  await sendIt(actor, two);
  await withdrawProposal(actor, closed);
  const ids = [one, two, two, closed, theirs];
  // Two who do it at once wait for each other; each is taken back once.
  const both = await Promise.all([
    withdrawMany(actor, { ids }),
    withdrawMany(actor, { ids: [...ids].reverse() }),
  ]);
  // Both are told the same, as is one who asks again because no answer came: three of the four stand withdrawn.
  expect(both.map(({ count }) => count)).toEqual([3, 3]);
  const taken = await inCompany(actor, (tx) =>
    tx.select().from(audit).where(eq(audit.act, 'proposal withdrawn')),
  );
  expect(taken.map(({ subject }) => subject).sort()).toEqual([one, two, closed].sort());
  for (const id of [one, two, closed])
    expect(await readProposal(actor, id)).toMatchObject({ state: 'withdrawn' });
  expect(await readProposal(other, theirs)).toMatchObject({ state: 'draft' });
  const office = inRole(actor, 'office');
  expect(await refusal(withdrawMany(office, { ids }))).toMatchObject({
    status: 403,
    code: 'role-not-allowed',
  });
  for (const wrong of [[], ['x'], Array.from({ length: 201 }, () => one)])
    expect((await refusal(withdrawMany(actor, { ids: wrong }))).code).toBe('not-well-formed');
});

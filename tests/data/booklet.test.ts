import { eq } from 'drizzle-orm';
import type { Actor } from '@/services/actor';
import { readCertificates } from '@/services/booklet/certificate';
import { readAgreement } from '@/services/agreements/read';
import { chooseInBooklet } from '@/services/booklet/choose';
import { acceptProposal } from '@/services/booklet/accept';
import { consentSentence, declineProposal } from '@/services/booklet/decide';
import { openBooklet } from '@/services/booklet/open';
import { payByCard } from '@/services/booklet/payCard';
import { previewBooklet } from '@/services/booklet/preview';
import { listProposals, readProposal } from '@/services/proposals/read';
import { saveProposal } from '@/services/proposals/save';
import { showLink } from '@/services/links';
import { revokeLinks, sendProposal } from '@/services/proposals/send';
import { closeConnection, inCompany } from '@/data/connection';
import { audit, link } from '@/data/schema';
import { showDecimal } from '@/core/number';
import type { Choices } from '@/model';
import { trialCards } from '@/gateways/cards/standIn';
import {
  newAgreement,
  newCompany,
  newProposal,
  sendIt,
  signatureFor,
  testDocument,
  visit,
  refusal,
} from '../support/desk';
import { cardOf } from '../../scripts/demo/cardOf';
import { listMessages } from '../support/lists';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const change = (actor: Actor, proposalId: string, saveNumber: number, path: string, value: unknown) =>
  saveProposal(actor, { proposalId, saveNumber, patches: [{ op: 'add', path, value }] });
const choose = async (token: string, revisionId: string, choices: Choices) =>
  chooseInBooklet(await visit(token), { revisionId, choices });

describe('revisions', () => {
  test('every link shows the newest; the older link works on', async () => {
    const actor = await newCompany();
    const proposalId = await newProposal(actor);
    const first = await sendIt(actor, proposalId);
    await change(actor, proposalId, 0, '/title', 'Deck, revised');
    // Changed and not sent: the customer still reads what went out.
    expect((await openBooklet(await visit(first))).view.title).toBe('Example');
    const second = await sendIt(actor, proposalId);
    for (const token of [first, second])
      expect(await openBooklet(await visit(token))).toMatchObject({
        view: { title: 'Deck, revised' },
        revision: { number: 2 },
      });
  });

  test('sent from a window that has not seen the newest save it is refused', async () => {
    const actor = await newCompany();
    const proposalId = await newProposal(actor);
    await change(actor, proposalId, 0, '/title', 'Newer');
    const old = sendProposal(actor, { proposalId, saveNumber: 0, to: 'c@test.example', words: '' });
    expect((await refusal(old)).status).toBe(409);
    expect((await readProposal(actor, proposalId)).revisions).toEqual([]);
  });

  test('what has to be mended is refused with all of it named, and nothing goes out', async () => {
    const actor = await newCompany();
    const document = testDocument();
    const broken = {
      ...document,
      schedule: document.schedule.map((entry) => ({ ...entry, share: { percent: '10' } })),
    };
    const proposalId = await newProposal(actor, broken);
    const problem = await refusal(sendIt(actor, proposalId));
    expect(problem.detail).toContain('do not make 100');
    expect(await listMessages(actor)).toEqual([]);
    expect((await readProposal(actor, proposalId)).links).toEqual([]);
  });

  test('prices that hold no longer are not sent, and lapse where they were sent', async () => {
    const actor = await newCompany();
    const proposalId = await newProposal(actor, { ...testDocument(), validUntil: '2020-01-31' });
    expect((await refusal(sendIt(actor, proposalId))).detail).toContain('is over');
    const tomorrow = new Date(Date.now() + 24 * 3600_000).toISOString().slice(0, 10);
    await change(actor, proposalId, 0, '/validUntil', tomorrow);
    const token = await sendIt(actor, proposalId);
    const { visitor, input } = await signatureFor(token);
    const later = { ...visitor, now: new Date(Date.now() + 3 * 24 * 3600_000) };
    expect((await openBooklet(later)).state).toBe('lapsed');
    expect((await refusal(acceptProposal(later, input, 'test'))).detail).toContain('fresh ones');
    expect((await listProposals({ ...actor, now: later.now }))[0]?.state).toBe('lapsed');
  });

  test('the preview is the next revision, with what was chosen in the last kept', async () => {
    const actor = await newCompany();
    const proposalId = await newProposal(actor);
    const token = await sendIt(actor, proposalId);
    const sent = await openBooklet(await visit(token));
    const chosen = await choose(token, sent.revision.id, { extras: {}, questions: { q1: 'a2' } });
    // As it stands it is what the customer sees, choices and all.
    expect((await previewBooklet(actor, proposalId)).view.total).toBe(chosen.view.total);
    await change(actor, proposalId, 0, '/coverNote', 'New words');
    const next = await previewBooklet(actor, proposalId);
    expect(next).toMatchObject({ revision: { number: 2 }, view: { total: chosen.view.total } });
  });
});

describe('what is chosen', () => {
  test('counts in the agreement: the quantity of an extra, the alternative, and nothing else', async () => {
    const actor = await newCompany();
    const token = await sendIt(actor, await newProposal(actor));
    const { revision } = await openBooklet(await visit(token));
    await choose(token, revision.id, {
      extras: { l2: { in: true, quantity: '4' } },
      questions: { q1: 'a2' },
    });
    const { visitor, input } = await signatureFor(token);
    const { agreementId } = await acceptProposal(visitor, input, 'Mozilla/5.0 test');
    const agreement = await readAgreement(actor, agreementId);
    expect(agreement.lines.map(({ id, quantity }) => [id, quantity])).toEqual([
      ['l1', '12'],
      ['l2', '4'],
      ['l4', '100'],
    ]);
    expect(agreement).toMatchObject({ total: input.total, consent: consentSentence });
  });

  test.each([
    ['more than offered', { extras: { l2: { in: true, quantity: '5' } }, questions: {} }],
    ['between two steps', { extras: { l2: { in: true, quantity: '1.5' } }, questions: {} }],
    ['a line that is no extra', { extras: { l1: { in: false } }, questions: {} }],
    ['an alternative of nothing', { extras: {}, questions: { q9: 'a1' } }],
  ])('%s is refused, and what was chosen before stays', async (_, choices) => {
    const actor = await newCompany();
    const token = await sendIt(actor, await newProposal(actor));
    const { revision } = await openBooklet(await visit(token));
    const kept = await choose(token, revision.id, { extras: {}, questions: { q1: 'a2' } });
    expect((await refusal(choose(token, revision.id, choices))).status).toBe(422);
    expect((await openBooklet(await visit(token))).view.total).toBe(kept.view.total);
  });

  test('at the same moment by two people is one of the two, never a mixture', async () => {
    const actor = await newCompany();
    const token = await sendIt(actor, await newProposal(actor));
    const { revision } = await openBooklet(await visit(token));
    const ash: Choices = { extras: {}, questions: { q1: 'a2' } };
    const light: Choices = { extras: { l2: { in: true } }, questions: { q1: 'a1' } };
    await Promise.all([choose(token, revision.id, ash), choose(token, revision.id, light)]);
    const { choices } = await openBooklet(await visit(token));
    expect([JSON.stringify(ash), JSON.stringify(light)]).toContain(
      JSON.stringify({ extras: choices.extras, questions: choices.questions }),
    );
  });
});

describe('what is written down', () => {
  test('messages: the proposal with its link, the thanks with the invoice; what comes back is marked', async () => {
    const actor = await newCompany();
    const proposalId = await newProposal(actor);
    const token = await sendIt(actor, proposalId);
    const { view } = await openBooklet(await visit(token));
    const { visitor, input } = await signatureFor(token);
    await acceptProposal(visitor, input, 'test');
    const [thanks, offer] = await listMessages(actor);
    expect(offer).toMatchObject({ kind: 'proposal', toAddress: 'customer@test.example', state: 'delivered' });
    expect(offer!.body).toContain('sign here:\n[private link]');
    expect(JSON.stringify([thanks, offer])).not.toContain(token);
    expect(offer!.body).toContain(showDecimal(view.total));
    expect(thanks!.body).toMatch(/Deposit invoice \d{4}-001 is waiting/);
    for (const { body, subject } of [thanks!, offer!])
      expect(`${subject} ${body}`).not.toMatch(/SECRET|417\.31/);
    const other = await newProposal(actor);
    const lost = { proposalId: other, saveNumber: 0, to: 'nobody@returned.example', words: 'Hello.' };
    await sendProposal(actor, lost);
    const returned = (await listMessages(actor)).filter(({ state }) => state === 'returned');
    expect(returned.map(({ toAddress }) => toAddress)).toEqual(['nobody@returned.example']);
  });

  test('a private link is shown to whoever may be shown it, and that stands with the signature', async () => {
    const actor = await newCompany();
    const token = await sendIt(actor, await newProposal(actor));
    const [offer] = await listMessages(actor);
    expect(offer!.link).toMatchObject({ open: true, mayShow: true });
    const linkId = offer!.link!.id;
    const office: Actor = inRole(actor, 'office');
    expect((await listMessages(office))[0]!.link).toMatchObject({ mayShow: false });
    expect((await refusal(showLink(office, { linkId }))).status).toBe(403);
    expect((await refusal(showLink(await newCompany(), { linkId }))).status).toBe(404);

    const { visitor, input } = await signatureFor(token);
    expect((await showLink(actor, { linkId })).address).toMatch(new RegExp(`/b/${token}$`));
    const { agreementId } = await acceptProposal(visitor, input, 'test');
    const { certificates } = await readCertificates(actor, agreementId);
    expect(certificates[0]!.means).toEqual({
      sentTo: 'customer@test.example',
      sentAt: offer!.at,
      shownTo: [actor.name],
    });
    expect(certificates[0]!.intact).toBe(true);
    // A link that leads nowhere is not shown.
    await revokeLinks(actor, (await readAgreement(actor, agreementId)).proposalId);
    expect((await refusal(showLink(actor, { linkId }))).status).toBe(410);
    expect((await listMessages(actor)).find(({ link }) => link?.id === linkId)!.link!.open).toBe(false);
  });

  test('signed under a link that nobody of ours was shown', async () => {
    const actor = await newCompany();
    const { agreementId } = await newAgreement(actor);
    const { certificates } = await readCertificates(actor, agreementId);
    expect(certificates[0]!.means).toMatchObject({ sentTo: 'customer@test.example', shownTo: [] });
  });

  test('the token of a link is nowhere in the database, only its hash', async () => {
    const actor = await newCompany();
    const token = await sendIt(actor, await newProposal(actor));
    const links = await inCompany(actor, (tx) => tx.select().from(link));
    expect(JSON.stringify(links)).not.toContain(token);
    expect(token).toMatch(/^[A-Za-z0-9_-]{43}$/);
    expect(Buffer.from(token, 'base64url')).toHaveLength(32);
  });

  test('who did what: each deed once, with its subject, also when it was asked twice', async () => {
    const actor = await newCompany();
    const proposalId = await newProposal(actor);
    const token = await sendIt(actor, proposalId);
    const { visitor, input } = await signatureFor(token);
    const { agreementId } = await acceptProposal(visitor, input, 'test');
    await acceptProposal(visitor, input, 'test');
    const card = { card: cardOf(trialCards.accepted), idempotencyKey: 'audit-card' };
    await payByCard(visitor, card);
    await payByCard(visitor, card);
    const deeds = await inCompany(actor, (tx) => tx.select().from(audit).orderBy(audit.id));
    const count = (act: string) => deeds.filter((deed) => deed.act === act).length;
    for (const act of ['proposal imported', 'proposal sent', 'proposal accepted', 'invoice issued'])
      expect([act, count(act)]).toEqual([act, 1]);
    expect(count('payment recorded')).toBe(1);
    const [accepted] = await inCompany(actor, (tx) =>
      tx.select().from(audit).where(eq(audit.act, 'proposal accepted')),
    );
    expect(accepted).toMatchObject({ subject: proposalId, userId: null, detail: { agreementId } });
    // The number of a card is in no row.
    expect(JSON.stringify(deeds)).not.toContain('91000000');
  });

  test('a decline needs its reason, and one of another proposal’s revision is refused', async () => {
    const actor = await newCompany();
    const token = await sendIt(actor, await newProposal(actor));
    const other = await signatureFor(await sendIt(actor, await newProposal(actor)));
    const { visitor, input } = await signatureFor(token);
    const no = (revisionId: string, reason: string) => declineProposal(visitor, { revisionId, reason });
    expect((await refusal(no(input.revisionId, '  '))).status).toBe(422);
    expect((await refusal(no(other.input.revisionId, 'No.'))).status).toBe(404);
    expect((await openBooklet(visitor)).state).toBe('open');
    await no(input.revisionId, ' Next year. ');
    expect(await openBooklet(visitor)).toMatchObject({ state: 'declined', declinedBecause: 'Next year.' });
  });
});

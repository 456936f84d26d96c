import type { Actor } from '@/services/actor';
import { acceptProposal } from '@/services/booklet/accept';
import { openBooklet, visitorOf } from '@/services/booklet/open';
import type { Problem } from '@/services/problem';
import { createCompany } from '@/services/entering/createCompany';
import { saveCustomer } from '@/services/customers/customers';
import { readProposal } from '@/services/proposals/read';
import { saveProposal } from '@/services/proposals/save';
import { sendProposal } from '@/services/proposals/send';
import { importProposal } from '@/services/proposals/start';
import type { Line, ProposalDocument, SpreadWay } from '@/model';
import { line, plainDocument } from './documents';

let made = 0;
const unique = () => `${process.pid}-${(made += 1)}-${Date.now()}`;

/** A company of its own, with its owner, so that tests do not see each other. */
export async function newCompany(
  more: { depositInvoiceOnAcceptance?: boolean; timeZone?: string } = {},
): Promise<Actor> {
  return createCompany(
    {
      name: 'Test Builders',
      address: { street: '1 Trial Row', city: 'Marrowby', region: '', postcode: '', country: 'US' },
      email: 'office@test.example',
      phone: '1',
      taxNumber: 'T-1',
      currency: 'USD',
      timeZone: 'UTC',
      ...more,
    },
    { name: 'Test Owner', email: `owner-${unique()}@test.example`, password: 'gable-otter-91' },
    new Date(),
  );
}

/** A document with a question, an extra, tax and four payments, whose costs and notes can be told from everything else. */
export function testDocument(): ProposalDocument {
  return plainDocument(
    [
      {
        id: 's1',
        title: 'Deck',
        internalNote: 'SECRET-NOTE-A',
        entries: [
          line('l1', '12', '417.31', { internalNote: 'SECRET-NOTE-B' }),
          line('l2', '1', '77.77', {
            extra: { in: false, quantity: { minimum: '1', maximum: '4', step: '1' } },
          }),
          {
            kind: 'question',
            id: 'q1',
            prompt: 'Which boards?',
            suggested: 'a1',
            alternatives: [
              { id: 'a1', name: 'Pine', lines: [line('l3', '100', '3.33')] },
              { id: 'a2', name: 'Ash', lines: [line('l4', '100', '9.99')] },
            ],
          },
        ],
      },
    ],
    {
      internalNote: 'SECRET-NOTE-C',
      loads: [{ id: 'p', name: 'SECRET-LOAD', kind: 'profit', percent: '31', base: 'direct' }],
      taxClasses: [
        {
          id: 'taxed',
          name: 'Taxed',
          components: [
            { id: 'state', name: 'State', percent: '5' },
            { id: 'county', name: 'County', percent: '1.25' },
          ],
        },
      ],
      schedule: [
        {
          id: 'deposit',
          name: 'On signing',
          kind: 'deposit',
          share: { percent: '10' },
          due: { on: 'acceptance' },
        },
        {
          id: 'frame',
          name: 'Frame',
          kind: 'stage',
          share: { percent: '45' },
          due: { on: 'stage', stage: 'Frame' },
        },
        {
          id: 'final',
          name: 'Final',
          kind: 'final',
          share: { rest: true },
          due: { on: 'stage', stage: 'Done' },
        },
      ],
    },
  );
}

/** A customer with a site at their address. */
export async function newCustomer(actor: Actor): Promise<{ customerId: string; siteId: string }> {
  const { id, siteId } = await saveCustomer(actor, {
    name: 'Test Customer',
    contactName: '',
    email: 'customer@test.example',
    phone: '',
    billing: { street: '2 Trial Row', city: 'Marrowby', region: '', postcode: '', country: 'US' },
    internalNote: 'SECRET-NOTE-D',
  });
  return { customerId: id, siteId: siteId! };
}

export async function newProposal(actor: Actor, document = testDocument()): Promise<string> {
  return (await importProposal(actor, await newCustomer(actor), document)).id;
}

export async function sendIt(actor: Actor, proposalId: string): Promise<string> {
  const { saveNumber } = await readProposal(actor, proposalId);
  return (await sendProposal(actor, { proposalId, saveNumber, to: 'customer@test.example', words: '' }))
    .token;
}

export const visit = (token: string) => visitorOf(token, unique(), new Date());

/** What a signer sends, for the booklet as it stands. */
export async function signatureFor(token: string, idempotencyKey = `test-${unique()}`) {
  const visitor = await visit(token);
  const booklet = await openBooklet(visitor);
  return {
    visitor,
    input: {
      revisionId: booklet.revision.id,
      choices: booklet.choices,
      total: booklet.view.total,
      signerName: 'Test Customer',
      signature: { kind: 'typed' as const },
      consent: true as const,
      idempotencyKey,
      ...(booklet.contract ? { contract: booklet.contract.mark } : {}),
    },
  };
}

/** What is refused, as its problem. */
export const refusal = async (promise: Promise<unknown>): Promise<Problem['details']> =>
  promise.then(
    () => {
      throw new Error('was not refused');
    },
    (error: Problem) => error.details ?? Promise.reject(error),
  );

/** Puts lines into a change order, with the way its sum is spread. */
export async function writeChange(
  actor: Actor,
  proposalId: string,
  lines: readonly Line[],
  spread: SpreadWay = 'spread',
): Promise<void> {
  const { saveNumber, document } = await readProposal(actor, proposalId);
  await saveProposal(actor, {
    proposalId,
    saveNumber,
    patches: [
      { op: 'replace', path: '/sections/0/entries', value: lines },
      { op: 'replace', path: '/change', value: { ...document.change!, spread } },
    ],
  });
}

/** A signed agreement. */
export async function newAgreement(
  actor: Actor,
  document?: ProposalDocument,
): Promise<{ agreementId: string; token: string }> {
  const token = await sendIt(actor, await newProposal(actor, document));
  const { visitor, input } = await signatureFor(token);
  const { agreementId } = await acceptProposal(visitor, input, 'test');
  return { agreementId, token };
}

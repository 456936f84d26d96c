/*
 * The table of operations that other programs ask: what opens each is what the acts behind it want, and a list is read on by
 * its cursor without leaving out or repeating a row.
 */
import { closeConnection } from '@/data/connection';
import type { Permission } from '@/model';
import { firstRoles, permissionKeys, withNeeded } from '@/model';
import type { Actor } from '@/services/actor';
import { saveCustomer } from '@/services/customers/customers';
import { askOperation, findOperation } from '@/services/programs/ask';
import type { Operation } from '@/services/programs/operation';
import { operations } from '@/services/programs/operations';
import { readProposal } from '@/services/proposals/read';
import { replaceDocument } from '@/services/proposals/replace';
import { newCompany, newCustomer, newProposal, refusal, testDocument } from '../support/desk';
import { operationBodies } from '../support/operationBodies';

afterAll(closeConnection);

let actor: Actor;
beforeAll(async () => {
  actor = await newCompany();
});

const nobody = '00000000-0000-7000-8000-000000000000';

/** Nothing that is asked for is there: an answer, or a refusal for another reason, is no refusal by role. */
async function refusedByRole(operation: Operation, held: readonly Permission[]): Promise<boolean> {
  const asked: Actor = { ...actor, isOwner: false, permissions: held };
  try {
    await operation.act(asked, {
      path: { id: nobody, site: nobody, list: 'none', sha256: 'none', plan: 'none' },
      query: { kind: 'picture', list: operation.id === 'jobList' ? 'stages' : 'sellers' },
      // What is made is refused for its form, after the role was looked at.
      body: operation.body ? { retired: true } : operation.bytes ? new Uint8Array() : undefined,
    });
    return false;
  } catch (error) {
    return (error as { details?: { code: string } }).details?.code === 'role-not-allowed';
  }
}

test.each(operations.map((each) => [each.id, each] as const))('what opens %s', async (_, operation) => {
  // A picture needs one permission, a plan another; the test keeps a picture.
  const needs = operation.id === 'keepPicture' ? [['jobs' as const]] : operation.needs;
  const opens = (held: readonly Permission[]) =>
    needs.every((group) => group.some((each) => held.includes(each)));
  for (const held of [
    [],
    ...permissionKeys.map((key) => withNeeded([key])),
    permissionKeys.filter((key) => !needs.flat().includes(key)),
    ...firstRoles.map(({ permissions }) => permissions),
  ])
    expect({ held, refused: await refusedByRole(operation, held) }).toEqual({ held, refused: !opens(held) });
});

test('every operation that takes JSON has something to send in the tests', () => {
  expect(Object.keys(operationBodies).sort()).toEqual(
    operations.flatMap(({ id, body }) => (body ? [id] : [])).sort(),
  );
});

const ask = async (id: string, query: Record<string, string>) => {
  const answer = await askOperation(
    actor,
    operations.find((each) => each.id === id)!,
    {
      ...{ path: {}, query, body: undefined },
    },
  );
  return (answer as { json: { rows: { id: string; name: string }[]; next: string | null } }).json;
};

test('a list is read on by its cursor: each row once, what was added meanwhile last', async () => {
  for (let i = 0; i < 5; i += 1) await newCustomer(actor);
  const seen: string[] = [];
  let after: string | null = null;
  let pages = 0;
  do {
    const page: Awaited<ReturnType<typeof ask>> = await ask('listCustomers', {
      limit: '2',
      ...(after === null ? {} : { after }),
    });
    expect(page.rows.length).toBeLessThanOrEqual(2);
    seen.push(...page.rows.map(({ id }) => id));
    if (pages === 1) await newCustomer({ ...actor, now: new Date() });
    pages += 1;
    after = page.next;
  } while (after !== null);
  const all = await ask('listCustomers', { limit: '200' });
  expect(seen).toEqual(all.rows.map(({ id }) => id));
  expect(new Set(seen).size).toBe(seen.length);
  expect(pages).toBe(Math.ceil(all.rows.length / 2));
});

test('a row says what is described of it, and nothing that its list knows beside', async () => {
  await newProposal(actor);
  for (const id of ['listCustomers', 'listProposals', 'listHistory', 'listLetters']) {
    const { answer } = operations.find((each) => each.id === id) as unknown as {
      answer: { properties: { rows: { items: { properties: object } } } };
    };
    const { rows } = await ask(id, {});
    if (id !== 'listLetters') expect(rows.length).toBeGreaterThan(0);
    for (const row of rows)
      expect(Object.keys(row).sort()).toEqual(Object.keys(answer.properties.rows.items.properties).sort());
  }
});

test('words and filters narrow it; what is not known is a sentence', async () => {
  await saveCustomer(actor, {
    ...{ name: 'Quince Harbour', contactName: '', email: '', phone: '', internalNote: '' },
    billing: { street: '1 Way', city: 'Town', region: '', postcode: '1', country: 'US' },
  });
  expect((await ask('listCustomers', { search: 'harbour quince' })).rows).toHaveLength(1);
  expect((await ask('listCustomers', { search: 'nobody at all' })).rows).toEqual([]);
  for (const query of [{ limit: '0' }, { limit: '201' }, { limit: 'all' }, { colour: 'red' }])
    expect((await refusal(ask('listCustomers', query))).code).toBe('not-well-formed');
  expect((await refusal(ask('listCustomers', { after: 'x' }))).code).toBe('not-a-cursor');
});

test('doors: a word comes before a place, a wrong method says which are right', () => {
  expect(findOperation('GET', ['library', 'items', nobody]).operation.id).toBe('readItem');
  expect(findOperation('POST', ['proposals', 'import']).operation.id).toBe('importProposal');
  const refused = (method: string, ...path: string[]) => {
    try {
      findOperation(method, path);
      return null;
    } catch (error) {
      return (error as { details: { code: string; detail: string } }).details;
    }
  };
  expect(refused('DELETE', 'customers')).toMatchObject({
    code: 'method-not-taken',
    detail: 'This door takes GET and POST.',
  });
  expect(refused('GET', 'nothing')?.code).toBe('no-such-page');
  expect(refused('GET', 'customers', 'x')?.code).toBe('no-such-customer');
  expect(refused('GET', 'toString')?.code).toBe('no-such-page');
});

test('a whole document in the place of another is an edit of what differs', async () => {
  const proposalId = await newProposal(actor);
  const { document, saveNumber } = await readProposal(actor, proposalId);
  // More than one edit’s worth: told apart from what one edit would be.
  const wanted = {
    ...document,
    title: 'Porch, by a program',
    sections: document.sections.map((section) => ({ ...section, title: 'Porch' })),
  };
  const { saveNumber: next } = await replaceDocument(actor, proposalId, { saveNumber, document: wanted });
  expect(next).toBe(saveNumber + 1);
  expect((await readProposal(actor, proposalId)).document).toEqual(wanted);
  // The same again, as after an answer that was lost: nothing new.
  expect((await replaceDocument(actor, proposalId, { saveNumber, document: wanted })).saveNumber).toBe(next);
  expect(
    (await refusal(replaceDocument(actor, proposalId, { saveNumber, document: testDocument() }))).code,
  ).toBe('changed-meanwhile');
  // Who sees no cost puts back what they saw: what it costs stays.
  const seller = { ...actor, permissions: ['prices', 'propose'] as const, isOwner: false };
  const seen = (await readProposal(seller, proposalId)).document;
  await replaceDocument(seller, proposalId, {
    saveNumber: next,
    document: { ...seen, title: 'Porch, by a seller' },
  });
  expect((await readProposal(actor, proposalId)).document).toEqual({
    ...wanted,
    title: 'Porch, by a seller',
  });
});

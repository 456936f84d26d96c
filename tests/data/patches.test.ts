/*
 * The steps of a save against RFC 6902: the cases of json-patch-test-suite (the tests its authors publish beside the RFC) for
 * the operations a save may hold, and steps made to break the server.
 */
import fs from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import jsonPatch from 'fast-json-patch';
import { saveProposal } from '@/services/proposals/save';
import { readProposal } from '@/services/proposals/read';
import { closeConnection } from '@/data/connection';
import type { Actor } from '@/services/actor';
import { newCompany, newProposal, refusal } from '../support/desk';

afterAll(closeConnection);

interface Case {
  readonly comment?: string;
  readonly doc: unknown;
  readonly patch: { op: string; path: string }[];
  readonly expected?: unknown;
  readonly error?: string;
  readonly disabled?: boolean;
}

const folder = path.dirname(createRequire(import.meta.url).resolve('json-patch-test-suite/package.json'));
const cases = ['tests.json', 'spec_tests.json'].flatMap(
  (file) => JSON.parse(fs.readFileSync(path.join(folder, file), 'utf8')) as Case[],
);
const ours = cases.filter(
  ({ disabled, patch, error }) =>
    !disabled &&
    Array.isArray(patch) &&
    // A save holds nothing else; a step that is no step is the schema's to refuse.
    (error !== undefined || patch.every(({ op }) => ['add', 'remove', 'replace'].includes(op))),
);

test('the cases published beside RFC 6902', () => {
  expect(ours.length).toBeGreaterThan(50);
  for (const { comment, doc, patch, expected, error } of ours) {
    const apply = () => jsonPatch.applyPatch(structuredClone(doc), patch as never, true, false).newDocument;
    if (error !== undefined) expect(apply).toThrow();
    else if (expected !== undefined) expect([comment, apply()]).toEqual([comment, expected]);
  }
});

test.each([
  ['replace', '/sections/999999999', {}],
  ['add', '/sections/999999999', {}],
  ['replace', '/sections/length', 0],
  ['replace', '/sections/length', 4_000_000_000],
  ['replace', '/sections/-1', {}],
  ['replace', '/sections/1e3', {}],
  ['replace', '/sections/00', {}],
  ['replace', '/sections/0x0', {}],
  ['replace', '/sections/ 0', {}],
  ['add', '/__proto__/polluted', true],
  ['add', '/sections/0/constructor/prototype/polluted', true],
  ['replace', 'sections', []],
  ['replace', '/~2', 1],
  ['replace', '', null],
  ['replace', '', []],
  ['remove', '/title', undefined],
  ['add', '/title/0', 'x'],
] as const)('%s %s is refused with a sentence, and nothing changes', async (op, at, value) => {
  const { actor, id } = await drafted();
  const before = await readProposal(actor, id);
  const step = value === undefined ? { op, path: at } : { op, path: at, value };
  const refused = await refusal(
    saveProposal(actor, { proposalId: id, saveNumber: before.saveNumber, patches: [step] }),
  );
  expect(refused.status).toBe(422);
  expect(await readProposal(actor, id)).toMatchObject({
    document: before.document,
    saveNumber: before.saveNumber,
  });
  expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
});

async function drafted(): Promise<{ actor: Actor; id: string }> {
  const actor = await newCompany();
  return { actor, id: await newProposal(actor) };
}

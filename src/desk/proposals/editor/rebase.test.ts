import fc from 'fast-check';
import { applyPatches, enablePatches, produceWithPatches } from 'immer';
import { anyDocument } from '../../../../tests/support/documents';
import type { JsonPatchStep } from '@/core/editing';
import {
  addLines,
  fromJsonPatch,
  moveBy,
  plainLine,
  removePart,
  setDescription,
  setPrice,
  setQuantity,
  setSection,
  toJsonPatch,
} from '@/core/editing';
import type { ProposalDocument } from '@/model';
import { canRebase } from './rebase';

enablePatches();

type Edit = (document: ProposalDocument) => void;

/** One edit of a person on some part of a document; on a part that is not there it does nothing. */
const anyEdit: fc.Arbitrary<Edit> = fc
  .record({
    what: fc.constantFrom('quantity', 'price', 'name', 'title', 'remove', 'move', 'add', 'note'),
    section: fc.nat({ max: 5 }),
    entry: fc.nat({ max: 5 }),
    value: fc.integer({ min: 1, max: 99 }),
  })
  .map(({ what, section: s, entry: e, value }): Edit => (document) => {
    const section = document.sections[s];
    const entry = section?.entries[e];
    if (what === 'note') document.internalNote = `note ${value}`;
    else if (what === 'title' && section) setSection(document, section.id, { title: `Title ${value}` });
    else if (what === 'add' && section)
      addLines(document, section.id, [plainLine(`new-${value}`, 'New', '1', 'taxed')]);
    else if (entry && what === 'remove') removePart(document, entry.id);
    else if (entry && what === 'move') moveBy(document, entry.id, value % 2 === 0 ? 1 : -1);
    else if (entry?.kind === 'line' && what === 'quantity') setQuantity(document, entry.id, String(value));
    else if (entry?.kind === 'line' && what === 'price' && !entry.allowance)
      setPrice(document, entry.id, String(value));
    else if (entry?.kind === 'line' && what === 'name') setDescription(document, entry.id, `Name ${value}`);
  });

const edited = (document: ProposalDocument, edits: readonly Edit[]) => {
  let patches: JsonPatchStep[] = [];
  let now = document;
  for (const edit of edits) {
    const [next, steps] = produceWithPatches(now, edit);
    patches = [...patches, ...toJsonPatch(steps)];
    now = next;
  }
  return { document: now, patches };
};
const applied = (document: ProposalDocument, patches: readonly JsonPatchStep[]) =>
  applyPatches(document, fromJsonPatch(patches));

const twoPeople = fc.record({
  document: anyDocument(),
  mine: fc.array(anyEdit, { minLength: 1, maxLength: 3 }),
  theirs: fc.array(anyEdit, { minLength: 1, maxLength: 3 }),
});

test('what may be put on top of another’s change means the same in either order', () => {
  let together = 0;
  fc.assert(
    fc.property(twoPeople, ({ document, mine, theirs }) => {
      const my = edited(document, mine).patches;
      const their = edited(document, theirs).patches;
      if (my.length === 0 || their.length === 0 || !canRebase(my, their)) return;
      together += 1;
      expect(applied(applied(document, their), my)).toEqual(applied(applied(document, my), their));
    }),
    { numRuns: 400 },
  );
  // The law says something only if edits often do go together.
  expect(together).toBeGreaterThan(20);
});

test('the patches that are sent make on the server what stands on the desk', () => {
  fc.assert(
    fc.property(twoPeople, ({ document, mine }) => {
      const my = edited(document, mine);
      const sent = JSON.parse(JSON.stringify(my.patches)) as JsonPatchStep[];
      expect(applied(document, sent)).toEqual(my.document);
    }),
  );
});

test.each([
  ['other fields of one line', '/sections/0/entries/0/quantity', '/sections/0/entries/0/heldPrice', true],
  ['the same field', '/title', '/title', false],
  ['a field inside what was replaced', '/sections/0', '/sections/0/title', false],
  ['names that only begin alike', '/sections/1/title', '/sections/10/title', true],
])('%s', (_, mine, theirs, fits) => {
  const step = (path: string): JsonPatchStep[] => [{ op: 'replace', path, value: 'x' }];
  expect(canRebase(step(mine), step(theirs))).toBe(fits);
  expect(canRebase(step(theirs), step(mine))).toBe(fits);
});

test('a place in a list in which the other counts is never rebased', () => {
  const edit: JsonPatchStep[] = [{ op: 'replace', path: '/sections/0/entries/2/quantity', value: '1' }];
  const removal: JsonPatchStep[] = [{ op: 'remove', path: '/sections/0/entries/1' }];
  expect(canRebase(edit, removal)).toBe(false);
  expect(canRebase(removal, edit)).toBe(false);
  const elsewhere: JsonPatchStep[] = [{ op: 'remove', path: '/sections/1/entries/1' }];
  expect(canRebase(edit, elsewhere)).toBe(true);
});

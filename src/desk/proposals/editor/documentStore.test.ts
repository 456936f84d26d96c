import { jest } from '@jest/globals';
import fc from 'fast-check';
import { applyPatches, enablePatches } from 'immer';
import { addLines, fromJsonPatch, plainLine, removePart, setDocumentText, setQuantity } from '@/core/editing';
import type { JsonPatchStep } from '@/core/editing';
import type { Answer, ProposalDocument } from '@/model';
import { line, plainDocument } from '../../../../tests/support/documents';
import type { KeptEdits, Missed } from './storeTypes';
import { DocumentStore } from './documentStore';

enablePatches();

/** A server of one proposal: saves against the number last seen, keeps every edit, may lose answers or be away. */
function server(first: ProposalDocument) {
  let document = first;
  const edits: { by: string; patches: JsonPatchStep[] }[] = [];
  const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other);
  const weather = { now: 'fine' as 'fine' | 'lose answer' | 'away' };
  const save =
    (by: string) =>
    async ({
      saveNumber,
      patches,
    }: {
      saveNumber: number;
      patches: JsonPatchStep[];
    }): Promise<Answer<{ saveNumber: number }>> => {
      await Promise.resolve();
      if (weather.now === 'away') throw new Error('away');
      const missed = edits.slice(saveNumber);
      const stored = missed[0]?.by === by && same(missed[0].patches, patches);
      let answer: Answer<{ saveNumber: number }>;
      if (missed.length === 0) {
        document = applyPatches(document, fromJsonPatch(patches));
        edits.push({ by, patches });
        answer = { ok: true, value: { saveNumber: edits.length } };
      } else if (stored && missed.length === 1) answer = { ok: true, value: { saveNumber: edits.length } };
      else
        answer = {
          ok: false,
          problem: {
            type: 'about:blank',
            code: 'changed-meanwhile',
            title: 'Changed meanwhile',
            status: 409,
            detail: 'Changed meanwhile.',
            context: since(saveNumber, stored),
          },
        };
      if (weather.now === 'lose answer') {
        weather.now = 'fine';
        throw new Error('lost');
      }
      return answer;
    };
  const since = (saveNumber: number, stored = false): Missed & Record<string, unknown> => ({
    saveNumber: edits.length,
    document,
    patches: edits.slice(saveNumber + (stored ? 1 : 0)).flatMap(({ patches }) => patches),
    stored,
  });
  return { save, weather, since, document: () => document, saves: () => edits.length };
}

/** A page of one person, with what their browser keeps. */
function page(on: ReturnType<typeof server>, by: string, kept?: KeptEdits | null) {
  const box: { kept: KeptEdits | null } = { kept: kept ?? null };
  const store = new DocumentStore('p', on.document(), on.saves(), on.save(by));
  store.keepWith((edits) => (box.kept = edits));
  if (kept) void store.restore(kept);
  return { store, box };
}

const note = (text: string) => (draft: ProposalDocument) => setDocumentText(draft, 'coverNote', text);
const first = plainDocument([
  { id: 's1', title: 'Porch', entries: [line('l1', '2', '10'), line('l2', '4', '5')] },
]);
const [section] = first.sections;
const lineId = section!.entries.find(({ kind }) => kind === 'line')!.id;

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('saved is said only when it is', async () => {
  const on = server(first);
  const { store, box } = page(on, 'a');
  expect(store.read().saving.state).toBe('saved');
  store.edit(note('one'));
  expect(store.read().saving.state).toBe('saving');
  await jest.advanceTimersByTimeAsync(200);
  expect(box.kept?.patches).toHaveLength(1);
  await jest.advanceTimersByTimeAsync(300);
  expect(store.read().saving.state).toBe('saved');
  expect(on.document().coverNote).toBe('one');
  expect(box.kept).toBeNull();
});

test('a field’s text is taken before anything is sent, and by whoever leaves', async () => {
  const on = server(first);
  const { store, box } = page(on, 'a');
  store.typing('field', () => {
    store.edit(note('typed'));
    store.typing('field', null);
  });
  expect(store.read().typing).toBe(true);
  expect(await store.settle()).toBe(1);
  expect(on.document().coverNote).toBe('typed');
  on.weather.now = 'away';
  store.typing('field', () => {
    store.edit(note('typed more'));
    store.typing('field', null);
  });
  store.leave();
  expect(box.kept?.patches).toHaveLength(1);
  // The next page has it, and saves it.
  on.weather.now = 'fine';
  const next = page(on, 'a', box.kept);
  expect(next.store.read().document.coverNote).toBe('typed more');
  await next.store.settle();
  expect(on.document().coverNote).toBe('typed more');
  expect(next.box.kept).toBeNull();
});

test('an answer that was lost before the page closed does nothing twice', async () => {
  const on = server(first);
  const one = page(on, 'a');
  on.weather.now = 'lose answer';
  one.store.edit((draft) =>
    addLines(draft, section!.id, [plainLine('new', 'New', '1', first.taxClasses[0]!.id)]),
  );
  await one.store.flush();
  one.store.edit(note('after'));
  one.store.leave();
  // Another person saves before the page is opened again.
  const other = page(on, 'b');
  other.store.edit((draft) => setDocumentText(draft, 'terms', 'theirs'));
  await other.store.settle();
  const again = page(on, 'a', one.box.kept);
  await jest.advanceTimersByTimeAsync(1000);
  expect(again.store.read().saving.state).toBe('saved');
  const { document } = again.store.read();
  expect(document).toEqual(on.document());
  expect(document.coverNote).toBe('after');
  expect(document.terms).toBe('theirs');
  expect(document.sections[0]!.entries.filter(({ id }) => id === 'new')).toHaveLength(1);
});

test('what a page sent as it was left is nobody else’s change to the next page, whatever was kept of it', async () => {
  for (const keptWhen of ['before it was sent', 'while it was sent'] as const)
    for (const opened of ['before it arrived', 'after it arrived'] as const) {
      const on = server(first);
      const one = page(on, 'a');
      const typed = (quantity: string) =>
        one.store.asOneEdit('field', () => one.store.edit((draft) => setQuantity(draft, lineId, quantity)));
      typed('3');
      typed('38');
      one.store.keepNow();
      const early = one.box.kept;
      const before = on.document();
      const arrived = one.store.flush();
      const kept = keptWhen === 'before it was sent' ? early : one.box.kept;
      // The next page has read the proposal before the save was there, or after it.
      const open = () => new DocumentStore('p', on.document(), on.saves(), on.save('a'));
      let next = open();
      expect(on.document()).toBe(before);
      await arrived;
      if (opened === 'after it arrived') next = open();
      void next.restore(kept!);
      await jest.advanceTimersByTimeAsync(1000);
      expect([keptWhen, opened, next.read().saving.state]).toEqual([keptWhen, opened, 'saved']);
      expect(next.read().document).toEqual(on.document());
      expect(on.document().sections[0]!.entries.find(({ id }) => id === lineId)).toMatchObject({
        quantity: '38',
      });
    }
});

test('a server that hangs: after a while it is said that nothing is saved, and it is tried again until it is', async () => {
  const on = server(first);
  let hangs = 1;
  const store = new DocumentStore('p', first, 0, (input) => {
    if (hangs-- > 0) return new Promise(() => undefined);
    return on.save('a')(input as never);
  });
  store.edit(note('typed'));
  await jest.advanceTimersByTimeAsync(1000);
  expect(store.read().saving.state).toBe('saving');
  await jest.advanceTimersByTimeAsync(30_000);
  expect(store.read().saving).toMatchObject({ state: 'waiting', refused: false });
  await jest.advanceTimersByTimeAsync(10_000);
  expect(store.read().saving.state).toBe('saved');
  expect(on.document().coverNote).toBe('typed');
});

test('what collides stays a question over a reload, and both answers end with screen and server alike', async () => {
  for (const choice of ['keepMine', 'dropMine'] as const) {
    const on = server(first);
    const mine = page(on, 'a');
    const theirs = page(on, 'b');
    theirs.store.edit((draft) => {
      setQuantity(draft, lineId, '7');
      setDocumentText(draft, 'terms', 'added by them');
    });
    await theirs.store.settle();
    mine.store.edit((draft) => setQuantity(draft, lineId, '3'));
    await mine.store.flush();
    expect(mine.store.read().saving.state).toBe('collided');
    const reloaded = page(on, 'a', mine.box.kept);
    await jest.advanceTimersByTimeAsync(1000);
    expect(reloaded.store.read().saving.state).toBe('collided');
    reloaded.store[choice]();
    await reloaded.store.settle();
    expect(reloaded.store.read().document).toEqual(on.document());
    expect(on.document().terms).toBe('added by them');
    const line = on.document().sections[0]!.entries.find(({ id }) => id === lineId);
    expect(line).toMatchObject({ quantity: choice === 'keepMine' ? '3' : '7' });
  }
});

test('what one visit of a field writes is one step back, and Escape leaves nothing', () => {
  const { store } = page(server(first), 'a');
  for (const text of ['a', 'ab', 'abc']) store.asOneEdit('field 1', () => store.edit(note(text)));
  expect(store.read().undo).toBe(1);
  store.undo();
  expect(store.read().document).toEqual(first);
  store.asOneEdit('field 2', () => store.edit(note('x')));
  store.takeBack('field 2');
  expect(store.read().document).toEqual(first);
  expect(store.read()).toMatchObject({ undo: 0, redo: 0 });
});

/** Edits of every kind two people make at random, with a network that fails now and then. */
const anyStep = fc.record({
  who: fc.constantFrom('a', 'b'),
  what: fc.constantFrom(
    'note',
    'terms',
    'quantity',
    'add',
    'remove',
    'undo',
    'keepMine',
    'dropMine',
    'hear',
    'wait',
    'reload',
  ),
  value: fc.integer({ min: 1, max: 99 }),
  weather: fc.constantFrom('fine', 'fine', 'fine', 'lose answer', 'away'),
});

test('what went without an answer and is heard of by the way is one’s own: nobody collides with themselves', async () => {
  const on = server(first);
  const { store } = page(on, 'a');
  const [entry] = store.read().document.sections[0]!.entries;
  store.edit((draft) => setQuantity(draft, entry!.id, '8'));
  on.weather.now = 'lose answer';
  await store.settle();
  expect(store.read().saving.state).toBe('waiting');
  store.edit((draft) => setQuantity(draft, entry!.id, '9'));
  store.hear(on.since(store.read().saveNumber));
  expect(store.read().saving.state).not.toBe('collided');
  await store.settle();
  expect(store.read().saving.state).toBe('saved');
  expect(on.document()).toEqual(store.read().document);
  expect(JSON.stringify(on.document())).toContain('"quantity":"9"');
});

const aloneStep = fc.record({
  what: fc.constantFrom('quantity', 'undo', 'hear', 'wait'),
  value: fc.integer({ min: 1, max: 99 }),
  weather: fc.constantFrom('fine', 'lose answer'),
});

test('alone in a proposal, nobody collides, whatever is lost and heard', () =>
  fc.assert(
    fc.asyncProperty(fc.array(aloneStep, { maxLength: 30 }), async (steps) => {
      const on = server(first);
      const { store } = page(on, 'a');
      const [some] = first.sections[0]!.entries;
      for (const { what, value, weather } of steps) {
        on.weather.now = weather as 'fine';
        if (what === 'quantity') store.edit((draft) => setQuantity(draft, some!.id, String(value)));
        if (what === 'undo') store.undo();
        if (what === 'hear') store.hear(on.since(store.read().saveNumber));
        if (what === 'wait') await jest.advanceTimersByTimeAsync(value * 10);
        expect(store.read().saving.state).not.toBe('collided');
      }
    }),
    { numRuns: 100 },
  ));

test('whatever two do, with answers lost and pages reloaded, in the end both screens and the server are alike', () =>
  fc.assert(
    fc.asyncProperty(fc.array(anyStep, { maxLength: 30 }), async (steps) => {
      const on = server(first);
      const pages = { a: page(on, 'a'), b: page(on, 'b') };
      for (const { who, what, value, weather } of steps) {
        on.weather.now = weather as 'fine';
        const { store } = pages[who as 'a'];
        const entries = store.read().document.sections[0]?.entries ?? [];
        const some = entries[value % Math.max(entries.length, 1)];
        if (what === 'note') store.edit(note(`note ${value}`));
        if (what === 'terms') store.edit((draft) => setDocumentText(draft, 'terms', `terms ${value}`));
        if (what === 'quantity' && some?.kind === 'line')
          store.edit((draft) => setQuantity(draft, some.id, String(value)));
        if (what === 'add')
          store.edit((draft) =>
            addLines(draft, section!.id, [
              plainLine(
                `${who}${value}-${on.saves()}-${entries.length}`,
                'New',
                '1',
                first.taxClasses[0]!.id,
              ),
            ]),
          );
        if (what === 'remove' && some) store.edit((draft) => removePart(draft, some.id));
        if (what === 'undo') store.undo();
        if (what === 'keepMine') store.keepMine();
        if (what === 'dropMine') store.dropMine();
        if (what === 'hear') store.hear(on.since(store.read().saveNumber));
        if (what === 'wait') await jest.advanceTimersByTimeAsync(5000);
        if (what === 'reload') {
          store.leave();
          await jest.advanceTimersByTimeAsync(10);
          const { kept } = pages[who as 'a'].box;
          store.keepWith(() => undefined);
          pages[who as 'a'] = page(on, who, kept);
        }
      }
      on.weather.now = 'fine';
      for (let round = 0; round < 4; round += 1)
        for (const who of ['a', 'b'] as const) {
          const { store } = pages[who];
          await store.settle();
          store.keepMine();
          await store.settle();
          store.hear(on.since(store.read().saveNumber));
          await jest.advanceTimersByTimeAsync(10_000);
        }
      for (const who of ['a', 'b'] as const) {
        const shown = pages[who].store.read();
        expect(shown.saving.state).toBe('saved');
        expect(shown.document).toEqual(on.document());
        expect(pages[who].box.kept).toBeNull();
      }
    }),
    { numRuns: 60 },
  ));

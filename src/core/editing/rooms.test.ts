import fc from 'fast-check';
import type { Line, Room, Section, Space } from '@/model';
import { anyDocument, bundle, line, plainDocument, runs } from '../../../tests/support/documents';
import { edited } from '../../../tests/support/edits';
import { copiedParts, partsToPaste, putParts } from '../copying';
import { checkDocument, figuresReport, misread, troublesOf } from '../offer';
import { writeFixed } from '../number';
import { computeFigures } from '../price';
import {
  PartGone,
  dropRoomSpace,
  followRoom,
  leaveRoom,
  readDimension,
  removeRoom,
  renameRoom,
  roomNames,
  setQuantity,
  setRoomSpace,
  shareSpace,
  withoutPlans,
} from '.';

const space = (length: string, width: string, height?: string): Space => ({
  shape: { kind: 'rectangle', length: readDimension(length, 'us'), width: readDimension(width, 'us') },
  ...(height === undefined ? {} : { height: readDimension(height, 'us') }),
  openings: [],
});
const follows = (id: string, formula: string, room?: string): Line =>
  line(id, '0', '10', { formula, unit: 'sqft', ...(room === undefined ? {} : { room }) });
const porch: Room = { id: 'r1', name: 'Porch', space: space('15', '16', '9') };
const attic: Room = { id: 'r2', name: 'Attic', space: space('20', '12') };
const start = plainDocument(
  [
    {
      id: 's1',
      title: 'Floors',
      room: 'Porch',
      entries: [follows('a', 'floor'), follows('b', 'floor', 'Attic')],
    },
    { id: 's2', title: 'Walls', room: 'Porch', entries: [follows('c', 'walls')] },
    { id: 's3', title: 'Shed', space: space('10', '8'), room: 'Attic', entries: [follows('d', 'floor')] },
    { id: 's4', title: 'Trim', entries: [follows('e', 'floor'), follows('f', 'floor', 'Porch')] },
  ],
  { rooms: [porch, attic] },
);
const quantities = (document: typeof start) =>
  computeFigures(document)
    .sections.flatMap(({ lines }) => lines)
    .map(({ line: { id }, quantity }) => `${id} ${writeFixed(quantity)}`);

// Space of 15 by 16 ft, 9 ft high: floor 240 sq ft, walls 558 (a worked example of the trade; common practice, no source).
test('a room’s size counts for its sections and lines, and what is said closer comes first', () => {
  expect(quantities(start)).toEqual(['a 240', 'b 240', 'c 558', 'd 80', 'e 0', 'f 240']);
  expect(troublesOf(computeFigures(start)).map(({ partId }) => partId)).toEqual(['e']);
});

test('a room changed is changed for all that follow it; the floor of all counts each room once', () => {
  const wider = edited(start, (d) => setRoomSpace(d, 'new', 'Porch', space('10', '10', '8')));
  expect(quantities(wider)).toEqual(['a 100', 'b 240', 'c 320', 'd 80', 'e 0', 'f 100']);
  // 100 of the porch, 240 of the attic a line is in, 80 of the shed itself.
  expect(writeFixed(computeFigures(wider).floor!)).toBe('420');
  expect(figuresReport(wider)).toMatchObject({
    floor: '420',
    rooms: [
      {
        id: 'r1',
        name: 'Porch',
        space: { floor: '100', walls: '320' },
        sections: ['s1', 's2'],
        entries: ['f'],
      },
      { id: 'r2', name: 'Attic', space: { floor: '240', walls: null }, sections: [], entries: ['b'] },
    ],
  });
  // One that nothing follows is no floor of this job.
  const alone = plainDocument([{ id: 's', title: 'S', entries: [line('x', '1', '2')] }], { rooms: [porch] });
  expect(computeFigures(alone).floor).toBeNull();
});

test('a section follows a room exactly as if it had that size itself, in any document', () => {
  fc.assert(
    fc.property(anyDocument(), fc.nat(), (document, n) => {
      const at = document.sections.length === 0 ? 0 : n % document.sections.length;
      const added = follows('walled', 'walls * 1.1');
      const sections = (own: Partial<Section>) =>
        document.sections.map((section, i) => {
          if (i !== at) return section;
          const { space: _, room: __, ...rest } = section;
          return { ...rest, ...own, entries: [...rest.entries, added] };
        });
      const byRoom = { ...document, sections: sections({ room: 'Porch' }), rooms: [porch] };
      const itself = { ...document, sections: sections({ space: porch.space }) };
      const { rooms: _, ...one } = figuresReport(byRoom);
      expect(one).toEqual(figuresReport(itself));
    }),
    { numRuns: runs(60) },
  );
});

test('a bundle in a room is sized by it, an alternative too', () => {
  const sized = bundle('w', {}, [], { room: 'Porch', added: [follows('w1', 'floor')] });
  const document = plainDocument(
    [
      {
        id: 's',
        title: 'S',
        entries: [
          sized,
          {
            kind: 'question',
            id: 'q',
            prompt: 'Which?',
            suggested: 'x',
            alternatives: [
              { id: 'x', name: 'X', lines: [follows('q1', 'floor', 'Attic')] },
              { id: 'y', name: 'Y', lines: [follows('q2', 'floor', 'Porch')] },
            ],
          },
        ],
      },
    ],
    { rooms: [porch, attic] },
  );
  expect(quantities(document)).toEqual(['w1 240', 'q1 240', 'q2 240']);
});

test('a section’s size is shared, followed by another, and its own again', () => {
  const shared = edited(start, (d) => shareSpace(d, 's3', 'r3'));
  // The name it has is taken by a room with a size: the next one of that name.
  expect(shared.sections[2]).toMatchObject({ room: 'Attic 2' });
  expect(shared.sections[2]!.space).toBeUndefined();
  expect(quantities(shared)).toEqual(quantities(start));
  const joined = edited(shared, (d) => followRoom(d, 's4', 'Attic 2'));
  expect(quantities(joined)).toContain('e 80');
  const own = edited(joined, (d) => leaveRoom(d, 's4'));
  expect(own.sections[3]).toMatchObject({ space: start.sections[2]!.space });
  expect(own.sections[3]!.room).toBeUndefined();
  expect(quantities(own)).toEqual(quantities(joined));
  expect(() => edited(start, (d) => shareSpace(d, 's1', 'x'))).toThrow(PartGone);
});

test('renamed everywhere; two become one where one has no size; taken out with its name or without', () => {
  const called = edited(start, (d) => renameRoom(d, 'Porch', ' Screened porch '));
  expect(roomNames(called)).toEqual(['Screened porch', 'Attic']);
  expect(quantities(called)).toEqual(quantities(start));
  expect(() => edited(start, (d) => renameRoom(d, 'Porch', 'Attic'))).toThrow('“Attic” with a size already');
  expect(() => edited(start, (d) => renameRoom(d, 'Porch', ' '))).toThrow('needs a name');
  const labelled = edited(start, (d) => dropRoomSpace(d, 'Attic'));
  expect(roomNames(labelled)).toEqual(['Porch', 'Attic']);
  expect(roomNames(edited(labelled, (d) => renameRoom(d, 'Attic', 'Porch')))).toEqual(['Porch']);
  const without = edited(start, (d) => removeRoom(d, 'Attic'));
  expect(roomNames(without)).toEqual(['Porch']);
  expect(quantities(without)).toContain('b 240');
});

test('a document names a room once; many are refused in words', () => {
  const twice = { ...start, rooms: [porch, { ...attic, name: 'Porch' }] };
  expect(checkDocument(twice).map(({ message }) => message)).toContain('Two rooms are called “Porch”.');
  expect(misread(start)).toEqual([]);
  const many = {
    ...start,
    rooms: Array.from({ length: 200 }, (_, i) => ({ ...porch, id: `r${i}`, name: `Room ${i}` })),
  };
  expect(() => edited(many, (d) => setRoomSpace(d, 'r', 'One more', porch.space))).toThrow('200 rooms');
});

test('what is copied takes its rooms along, and finds those that are there', () => {
  const ids = new Set(['b', 'f']);
  const other = plainDocument([{ id: 't', title: 'T', entries: [] }], {
    rooms: [{ id: 'k', name: 'Porch', space: space('2', '3') }],
  });
  let n = 0;
  const pasted = partsToPaste(other, copiedParts(start, ids), () => `n${(n += 1)}`);
  expect(pasted.rooms?.map(({ name }) => name)).toEqual(['Attic']);
  const after = edited(other, (d) => putParts(d, 't', pasted));
  expect(quantities(after).map((each) => each.split(' ')[1])).toEqual(['240', '6']);
});

test('a line typed by a formula sees the room it names', () => {
  const typed = edited(start, (d) => setQuantity(d, 'f', 'floor * 2'));
  expect(typed.sections[3]!.entries[1]).toMatchObject({ formula: 'floor * 2', quantity: '480' });
});

test('a room traced on a plan of one house loses its size with the plan', () => {
  const traced: Room = {
    id: 'r9',
    name: 'Deck',
    space: { shape: { kind: 'traced', measure: 'deck' }, openings: [] },
  };
  const document = { ...start, rooms: [porch, traced], plans: [] };
  expect(withoutPlans(document).rooms).toEqual([porch]);
  expect(troublesOf(computeFigures(document))[0]!.message).toContain(
    'Size of the room “Deck”: No area called “deck”',
  );
});

import { readItem, saveItem } from '@/services/library/items';
import {
  applyImport,
  dropImport,
  listForExport,
  previewImport,
  startImport,
} from '@/services/library/importItems';
import { libraryAsCsv, libraryAsXlsx } from '@/services/downloads/papers';
import { addItems } from '@/services/library/add';
import { addUser } from '@/services/entering/createCompany';
import { findItems } from '@/services/library/library';
import { closeConnection } from '@/data/connection';
import { itemInputs } from '@/services/library/starting/items';
import { stockInputs } from '@/services/library/starting/stock';
import { newCompany } from '../support/desk';

afterAll(closeConnection);

const bytes = (text: string) => new TextEncoder().encode(text);
const list = `Item Code;Description;UoM;Cost;Hours;Rate;Supplier
A-1;Joist 2×8;ea;21,40;0,5;46;Mill & Sons
A-2;Shingles;sq;118;;;Mill & Sons
A-3;Wrong unit;stone;1;;;x
A-4;=HYPERLINK("x");ea;12;;;x
;No code;ea;1;;;x
A-1;Again;ea;1;;;x
A-5;No rate;ea;1;2;;x
A-6;Below zero;ea;-4;;;x
A-7;Formula cost;ea;=1+1;;;x
`;

test('a supplier’s list: columns matched, what is wrong said row by row, applied, remembered', async () => {
  const owner = await newCompany();
  const started = await startImport(owner, 'mill.csv', bytes(list));
  expect(started.matching).toEqual([
    'code',
    'name',
    'unit',
    'material',
    'labour_hours',
    'labour_rate',
    'supplier_note',
  ]);
  expect(started.remembered).toBe(false);
  const preview = await previewImport(owner, started.id, { matching: started.matching });
  expect(preview.counts).toEqual({ added: 3, changed: 0, left: 0, refused: 6 });
  expect(preview.added.map(({ code, unitCost }) => [code, unitCost])).toEqual([
    ['A-1', '44.4'],
    ['A-2', '118'],
    ['A-4', '12'],
  ]);
  expect(preview.refused.map(({ row, why }) => [row, why])).toEqual([
    [4, 'The unit “stone” is not known.'],
    [6, 'There is no code.'],
    [7, 'The code A-1 stands in the file twice.'],
    [8, 'There are labor hours but no rate.'],
    [9, 'material is below zero.'],
    [10, 'material is a formula; a value is wanted.'],
  ]);
  const steps: number[] = [];
  const counts = await applyImport(
    owner,
    started.id,
    { matching: started.matching },
    { progress: (done) => steps.push(done) },
  );
  expect(counts).toEqual(preview.counts);
  expect(steps).toEqual([3]);
  expect((await findItems(owner, 'joist'))[0]?.code).toBe('A-1');
  await expect(applyImport(owner, started.id, { matching: started.matching })).rejects.toThrow(
    'not waiting any more',
  );

  // The same headings again: matched as they were; dearer joists change one item and are kept in its history.
  const again = await startImport(owner, 'mill-2.csv', bytes(list.replace('21,40', '23,10')));
  expect(again.remembered).toBe(true);
  const second = await previewImport(owner, again.id, { matching: again.matching });
  expect(second.counts).toEqual({ added: 0, changed: 1, left: 2, refused: 6 });
  expect(second.changed[0]?.changes).toEqual(['cost: material 21.4, 0.5×46 → material 23.1, 0.5×46']);
  // 1.70 on 44.40: what moved is seen before it is taken.
  expect(second.changed[0]?.cost).toEqual({ before: '44.4', after: '46.1', percent: '+3.8 %' });
  expect(second.moves).toEqual({ rise: 1, fall: 0, middle: '+3.8 %' });
  await applyImport(owner, again.id, { matching: again.matching });
  const [joist] = await findItems(owner, 'joist');
  expect((await readItem(owner, joist!.id)).history).toMatchObject([
    { before: '44.4', after: '46.1', why: 'import of mill-2.csv', by: 'Test Owner' },
  ]);
});

test('what is exported imports back to the same library, as CSV and as a workbook', async () => {
  const owner = await newCompany();
  await addItems(
    owner,
    [...itemInputs, ...stockInputs].map((item) => ({ ...item, taxClass: 'standard' })),
  );
  await saveItem(owner, {
    ...itemInputs[0]!,
    code: '=1+1',
    name: '-5 °C paint, "odd"; with\nbreaks',
    waste: '7.5',
    pack: '12',
    minimumCharge: '80',
    supplierNote: '@corner shop',
    loads: [
      { id: 'overhead-1', name: 'Overhead', kind: 'overhead', percent: '10', base: 'direct' },
      {
        id: 'profit-2',
        name: 'Small; jobs',
        kind: 'profit',
        percent: '32.5',
        base: 'running',
        costTypes: ['labour', 'material'],
      },
    ],
    internalNote: 'stays here',
    tags: [],
  });
  const before = await listForExport(owner);
  for (const file of [bytes(await libraryAsCsv(owner)), new Uint8Array(await libraryAsXlsx(owner))]) {
    const started = await startImport(owner, 'own', file);
    const preview = await previewImport(owner, started.id, { matching: started.matching });
    expect(preview.changed).toEqual([]);
    expect(preview.counts).toEqual({
      added: 0,
      changed: 0,
      left: before.length,
      refused: 0,
    });
    // Into an empty library it comes to the same.
    const other = await newCompany();
    const there = await startImport(other, 'own', file);
    await applyImport(other, there.id, { matching: there.matching });
    const strip = (items: typeof before) => items.map(({ costs: _, internalNote: __, ...rest }) => rest);
    expect(strip(await listForExport(other))).toEqual(strip(before));
    expect(await libraryAsCsv(other)).toBe(await libraryAsCsv(owner));
  }
});

test('all or nothing: cancelled in the middle, nothing of it stays', async () => {
  const owner = await newCompany();
  const rows = Array.from({ length: 2600 }, (_, i) => `N-${i},Nail no. ${i},ea,0.${i % 90}1`);
  const started = await startImport(
    owner,
    'nails.csv',
    bytes(`code,name,unit,material\n${rows.join('\n')}\n`),
  );
  const stop = new AbortController();
  await expect(
    applyImport(
      owner,
      started.id,
      { matching: started.matching },
      { progress: (done) => done >= 1500 && stop.abort(), signal: stop.signal },
    ),
  ).rejects.toThrow('Cancelled. Nothing was changed.');
  expect(await listForExport(owner)).toEqual([]);
  // It still waits and can be applied, by two at once only once.
  const both = await Promise.allSettled([
    applyImport(owner, started.id, { matching: started.matching }),
    applyImport(owner, started.id, { matching: started.matching }),
  ]);
  expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
  expect(await listForExport(owner)).toHaveLength(2600);
});

test('for the owner, of their own company, with a code and each thing once', async () => {
  const owner = await newCompany();
  const stranger = await newCompany();
  const seller = await addUser(owner, {
    name: 'Sel Ler',
    email: `${owner.companyId}@import.example`,
    password: 'long-otter-gable-1',
    role: 'seller',
  });
  await expect(startImport(seller, 'x', bytes(list))).rejects.toThrow('which your role');
  const started = await startImport(owner, 'x', bytes(list));
  const { matching } = started;
  await expect(previewImport(stranger, started.id, { matching })).rejects.toThrow('not waiting any more');
  await expect(
    previewImport(owner, started.id, {
      matching: matching.map((field) => (field === 'code' ? null : field)),
    }),
  ).rejects.toThrow('which column is the code');
  await expect(
    previewImport(owner, started.id, {
      matching: matching.map((field) => (field === 'unit' ? 'name' : field)),
    }),
  ).rejects.toThrow('the same thing');
  await expect(previewImport(owner, started.id, { matching: ['price; drop'] })).rejects.toThrow(
    'cannot be used',
  );
  await dropImport(owner, started.id);
  await expect(previewImport(owner, started.id, { matching })).rejects.toThrow('not waiting any more');
});

import { sql } from 'drizzle-orm';
import { addItems } from '@/services/library/add';
import { saveItem } from '@/services/library/items';
import { findItems } from '@/services/library/library';
import type { Actor } from '@/services/actor';
import { beforeCompany, closeConnection, inCompany } from '@/data/connection';
import { searchItems } from '@/data/library/search';
import { itemInputs } from '@/services/library/starting/items';
import { newCompany } from '../support/desk';
import { asOwner } from '../support/owner';

afterAll(closeConnection);

const items = [
  ['FR-010', 'Joist 2×8, 14 ft, treated', 'Frame', ['lumber']],
  ['FR-015', 'Joist hanger with screws', 'Frame', ['steel']],
  ['FR-0101', 'Rim board', 'Frame', ['joist']],
  ['EL-025', 'Stair light, built in', 'Electric', []],
  ['EL-030', 'Dimmer for lights', 'Electric', []],
  ['SC-100', '100% shade mesh', 'Screens', []],
] as const;

async function stocked(): Promise<Actor> {
  const owner = await newCompany();
  await addItems(
    owner,
    items.map(([code, name, trade, tags]) => ({
      code,
      name,
      trade,
      tags: [...tags],
      detail: '',
      unit: 'each' as const,
      costs: [{ type: 'material' as const, amount: '1' }],
      taxClass: 'standard',
      costCode: '',
      internalNote: '',
    })),
  );
  return owner;
}
const codes = async (actor: Actor, text: string) => (await findItems(actor, text)).map(({ code }) => code);

test('words in any order, code before name before tag, errors of typing forgiven', async () => {
  const owner = await stocked();
  expect(await codes(owner, 'hanger joist')).toEqual(['FR-015']);
  // An exact code comes first, then what begins with it.
  expect(await codes(owner, 'fr-010')).toEqual(['FR-010', 'FR-0101']);
  // Names that begin with the word before a tag that is the word.
  expect(await codes(owner, 'joist')).toEqual(['FR-010', 'FR-015', 'FR-0101']);
  expect(await codes(owner, 'stair ligth')).toEqual(['EL-025']);
  expect(await codes(owner, 'hangr joist')).toEqual(['FR-015']);
  // Two letters that changed places, a letter too many, a word that is only begun.
  expect(await codes(owner, 'jiost')).toEqual(await codes(owner, 'joist'));
  expect(await codes(owner, 'hangger')).toEqual(['FR-015']);
  expect(await codes(owner, 'joits hang')).toEqual(['FR-015']);
  expect(await codes(owner, 'xyzzy')).toEqual([]);
  // What is no word is not guessed at.
  expect(await codes(owner, 'fr-099')).toEqual([]);
  // A whole word before one that only begins so.
  expect(await codes(owner, 'light')).toEqual(['EL-025', 'EL-030']);
  // One or two letters fit only where a word begins: not the “st” of joist.
  expect(await codes(owner, 'st')).toEqual(['EL-025', 'FR-015']);
});

test.each(['100%', '%', '_', '\\', "'", "' or true --"])(
  'what stands for other letters elsewhere is only itself here: %s',
  async (text) => {
    const found = await codes(await stocked(), text);
    expect(found).toEqual(text === '100%' ? ['SC-100'] : []);
  },
);

test('a name that begins with the word goes before one that contains it, however often that is used', async () => {
  const owner = await newCompany();
  await addItems(owner, [
    { ...itemInputs[0]!, code: 'A', name: 'Kick-out flashing', tags: ['flashing'] },
    { ...itemInputs[0]!, code: 'B', name: 'Window with flashing', tags: [] },
    { ...itemInputs[0]!, code: 'Z', name: 'Flashing, drip edge', tags: [] },
  ]);
  await inCompany(owner.companyId, (tx) =>
    tx.execute(sql`insert into library_use (company_id, section_kind, used_id, count, last_at)
      select company_id, 'roof', id, 500, now() from item where code = 'A'`),
  );
  expect((await codes(owner, 'flashing'))[0]).toBe('Z');
});

test('a measure is found whichever way its sign is written', async () => {
  const owner = await newCompany();
  await addItems(owner, [
    { ...itemInputs[0]!, code: 'A', name: 'Joist 2×10, treated', tags: [] },
    { ...itemInputs[0]!, code: 'B', name: 'Rafter 2x10', tags: [] },
    { ...itemInputs[0]!, code: 'C', name: 'Deck board 5/4x6', tags: [] },
  ]);
  for (const typed of ['2x10', '2×10', '2X10'])
    expect((await codes(owner, typed)).sort()).toEqual(['A', 'B']);
  expect(await codes(owner, '5/4×6')).toEqual(['C']);
});

test('a typing error is forgiven by the words of one’s own library, as it is now', async () => {
  const owner = await newCompany();
  const other = await newCompany();
  await addItems(other, [{ ...itemInputs[0]!, code: 'Z', name: 'Parapet', tags: [] }]);
  const made = await saveItem(owner, { ...itemInputs[0]!, code: 'A', name: 'Soffit', tags: [] });
  expect(await codes(owner, 'parapte')).toEqual([]);
  expect(await codes(other, 'parapte')).toEqual(['Z']);
  await saveItem(owner, { ...itemInputs[0]!, code: 'A', name: 'Cornice', tags: [] }, made.id);
  expect(await codes(owner, 'cornise')).toEqual(['A']);
});

test('retired items and those of other companies are not found', async () => {
  const owner = await stocked();
  const other = await newCompany();
  expect(await codes(other, 'joist')).toEqual([]);
  await asOwner((tx) =>
    tx.execute(
      sql`update item set retired_at = now() where company_id = ${owner.companyId} and code = 'FR-015'`,
    ),
  );
  expect(await codes(owner, 'hanger')).toEqual([]);
  // Nor where no company is set: the function asks for it itself.
  const nobody = beforeCompany((tx) => searchItems(tx, 'joist'));
  expect(await nobody).toEqual([]);
});

import { sql } from 'drizzle-orm';
import { addItems } from '@/acts/library/add';
import { findItems } from '@/acts/library/library';
import type { Actor } from '@/acts/actor';
import { beforeCompany, closeConnection } from '@/data/connection';
import { searchItems } from '@/data/librarySearch';
import { newCompany } from '../support/desk';

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

test('retired items and those of other companies are not found', async () => {
  const owner = await stocked();
  const other = await newCompany();
  expect(await codes(other, 'joist')).toEqual([]);
  await beforeCompany((tx) =>
    tx.execute(
      sql`update item set retired_at = now() where company_id = ${owner.companyId} and code = 'FR-015'`,
    ),
  );
  expect(await codes(owner, 'hanger')).toEqual([]);
  // Nor where no company is set: the function asks for it itself.
  const nobody = beforeCompany((tx) => searchItems(tx, 'joist'));
  expect(await nobody).toEqual([]);
});

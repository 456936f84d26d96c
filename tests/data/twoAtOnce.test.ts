/* Two people who have the same settings, item, customer or site open at once. */
import { readCustomer, saveCustomer, saveSite } from '@/services/customers/customers';
import { addItems } from '@/services/library/add';
import { readItem, saveItem } from '@/services/library/items';
import { readSettings, saveAccounts, saveSettings } from '@/services/settings/settings';
import { closeConnection } from '@/data/connection';
import { usualAccounts } from '@/core/billing';
import { itemInputs } from '@/services/library/starting/items';
import { newCompany, newCustomer } from '../support/desk';

afterAll(closeConnection);

test('what another settled since a page was read stays; where both changed one thing the last one stands', async () => {
  const owner = await newCompany();
  const { settled: over } = await readSettings(owner);
  // A second page, read at the same time.
  const second = { ...over, validityDays: 45, paymentDays: 21 };
  await saveSettings(owner, { ...second, over });
  const first = {
    ...over,
    paymentDays: 7,
    pricing: { ...over.pricing, limits: { margin: '20' } },
    money: { ...over.money, deposit: { place: 'maryland', blocks: true } },
  };
  const answer = await saveSettings(owner, { ...first, over });
  const { settled } = await readSettings(owner);
  expect(answer).toEqual(settled);
  expect(settled).toMatchObject({
    validityDays: 45,
    paymentDays: 7,
    pricing: { limits: { margin: '20' } },
    money: { deposit: { place: 'maryland', blocks: true } },
  });
});

test('a page of settings that lay open takes no accounts back', async () => {
  const owner = await newCompany();
  const { settled: over } = await readSettings(owner);
  const accounts = { ...usualAccounts, receivable: '1107' };
  await saveAccounts(owner, accounts);
  await saveSettings(owner, { ...over, validityDays: 12, over });
  const { settled } = await readSettings(owner);
  expect(settled.validityDays).toBe(12);
  expect(settled.money.accounts).toEqual(accounts);
});

test('what it stands over is looked at as closely as what is wanted', async () => {
  const owner = await newCompany();
  const { settled: over } = await readSettings(owner);
  await expect(saveSettings(owner, { ...over, over: { ...over, validityDays: 'x' } })).rejects.toMatchObject({
    details: { status: 422 },
  });
  await expect(saveSettings(owner, { ...over, over: { ...over, more: 1 } })).rejects.toMatchObject({
    details: { status: 422 },
  });
});

test('an item, a customer and a site that two have open: each keeps what the other changed', async () => {
  const owner = await newCompany();
  const [made] = await addItems(owner, [itemInputs[0]!]);
  const read = async () => {
    const { id: _, ...input } = (await readItem(owner, made!.id)).item;
    return input;
  };
  const over = await read();
  await saveItem(owner, { ...over, detail: 'Set on Mondays.', tags: ['north'] }, made!.id, over);
  await saveItem(owner, { ...over, name: 'Anchor, galvanized', tags: ['south'], waste: '4' }, made!.id, over);
  expect(await read()).toEqual({
    ...over,
    detail: 'Set on Mondays.',
    name: 'Anchor, galvanized',
    tags: ['south'],
    waste: '4',
  });
  // What was taken away stays away, whoever saves after it.
  const later = await read();
  const { waste: _, ...without } = later;
  await saveItem(owner, without, made!.id, later);
  await saveItem(owner, { ...later, trade: 'Ground' }, made!.id, later);
  expect(await read()).toEqual({ ...without, trade: 'Ground' });

  const { customerId: id, siteId } = await newCustomer(owner);
  const known = async () => {
    const { customer, sites } = await readCustomer(owner, id);
    const { id: __, ...input } = customer;
    const { address, internalNote } = sites[0]!;
    return { input, site: { customerId: id, address, internalNote } };
  };
  const before = await known();
  await saveCustomer(owner, { ...before.input, phone: '(000) 555-0149' }, id, before.input);
  await saveCustomer(owner, { ...before.input, name: 'Ottoline Fenn' }, id, before.input);
  await saveSite(owner, { ...before.site, internalNote: 'A dog.' }, siteId, before.site);
  const moved = { ...before.site.address, street: '9 Tern Lane' };
  await saveSite(owner, { ...before.site, address: moved }, siteId, before.site);
  const after = await known();
  expect(after.input).toEqual({ ...before.input, phone: '(000) 555-0149', name: 'Ottoline Fenn' });
  expect(after.site).toEqual({ ...before.site, address: moved, internalNote: 'A dog.' });
});

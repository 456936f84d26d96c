import { saveCustomer, saveSite } from '@/services/customers/customers';
import { findAnything } from '@/services/find/findAnything';
import { addItems } from '@/services/library/add';
import { readAgreement } from '@/services/agreements/read';
import { closeConnection } from '@/data/connection';
import { newAgreement, newCompany, newProposal, testDocument } from '../support/desk';

afterAll(closeConnection);

const of = async (actor: Awaited<ReturnType<typeof newCompany>>, words: string) =>
  (await findAnything(actor, words)).found.map(({ kind, title }) => `${kind}: ${title}`);

test('a customer is found by name, mail, telephone however it is written, and address', async () => {
  const actor = await newCompany();
  const { id } = await saveCustomer(actor, {
    name: 'Wilhelmina Oakfen',
    contactName: 'Wil',
    email: 'wil@oakfen.example',
    phone: '(555) 010-4477',
    billing: { street: '9 Quay', city: 'Marrowby', region: 'FN', postcode: '00417', country: 'US' },
    internalNote: 'SECRET note',
    taxExempt: '',
  });
  await saveSite(actor, {
    customerId: id,
    address: { street: '71 Heron Weir', city: 'Fenwick', region: 'FN', postcode: '00418', country: 'US' },
    internalNote: '',
  });
  for (const words of [
    'oakfen',
    'WIL oak',
    'oakfen.example',
    '5550104477',
    '010 4477',
    'heron weir',
    '00418',
  ])
    expect([words, await of(actor, words)]).toEqual([words, ['customer: Wilhelmina Oakfen']]);
  for (const words of ['secret', 'x', '', '%', '010 4478', 'oakfen heron nothing'])
    expect([words, await of(actor, words)]).toEqual([words, []]);
  const [found] = (await findAnything(actor, 'oakfen')).found;
  expect(found).toMatchObject({ address: `/customers/${id}` });
  expect(JSON.stringify(found)).not.toContain('SECRET');
  expect(await of(await newCompany(), 'oakfen')).toEqual([]);
});

test('proposals, agreements, invoices and items by words and number; some of each', async () => {
  const actor = await newCompany();
  for (let i = 0; i < 9; i += 1) await newProposal(actor, { ...testDocument(), title: `Heron porch ${i}` });
  const { agreementId } = await newAgreement(actor, { ...testDocument(), title: 'Heron attic' });
  await addItems(actor, [
    {
      ...{ code: 'HER-1', name: 'Heron lantern', detail: '', trade: 'Electrical', unit: 'each' },
      ...{ costs: [], taxClass: 'taxed', costCode: '', tags: [], internalNote: '' },
    },
  ]);
  const { found, more } = await findAnything(actor, 'heron');
  // That there are more is said.
  expect(more).toEqual(['proposal']);
  const count = (kind: string) => found.filter((each) => each.kind === kind).length;
  // The agreement has its proposal; of a kind six at most.
  expect([count('proposal'), count('agreement'), count('item'), count('invoice') > 0]).toEqual([
    6,
    1,
    1,
    true,
  ]);
  const { number, invoices } = await readAgreement(actor, agreementId);
  expect((await findAnything(actor, String(number))).found.map(({ address }) => address)).toContain(
    `/agreements/${agreementId}`,
  );
  expect((await findAnything(actor, invoices[0]!.number)).found.map(({ address }) => address)).toContain(
    `/money/${invoices[0]!.id}`,
  );
});

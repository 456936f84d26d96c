import { addItems } from '@/services/library/add';
import { saveItem } from '@/services/library/items';
import { listTemplates } from '@/services/library/library';
import { saveCustomer } from '@/services/customers/customers';
import { readProposal } from '@/services/proposals/read';
import { copyProposal, saveAsTemplate } from '@/services/proposals/reuse';
import { importProposal, startProposal } from '@/services/proposals/start';
import { lineFromItem } from '@/core/editing';
import { closeConnection } from '@/data/connection';
import { newCompany } from '../support/desk';
import { plainDocument } from '../support/documents';

afterAll(closeConnection);

const post = {
  code: 'P-1',
  name: 'Post',
  trade: 'Frame',
  tags: [],
  detail: '',
  unit: 'each' as const,
  costs: [{ type: 'material' as const, amount: '10' }],
  taxClass: 'standard',
  costCode: '',
  internalNote: '',
};

async function setUp() {
  const owner = await newCompany();
  const [item] = await addItems(owner, [post]);
  const customer = async (name: string) => {
    const { id, siteId } = await saveCustomer(owner, {
      name,
      contactName: '',
      email: '',
      phone: '',
      billing: { street: '1 Row', city: 'Marrowby', region: '', postcode: '', country: 'US' },
      internalNote: '',
    });
    return { customerId: id, siteId: siteId! };
  };
  const first = await customer('First');
  const document = plainDocument(
    [{ id: 's', title: 'Deck', entries: [lineFromItem({ ...item!, taxClass: 'taxed' }, 'l', '4')] }],
    { coverNote: 'Dear First', internalNote: 'gate code', validUntil: '2020-01-01' },
  );
  const { id } = await importProposal(owner, first, document);
  return { owner, item: item!, id, other: await customer('Other') };
}

test('the desk is told which copied costs moved in the library, and a copy takes them or keeps them', async () => {
  const { owner, item, id, other } = await setUp();
  expect((await readProposal(owner, id)).moved).toEqual({});
  await saveItem(owner, { ...post, costs: [{ type: 'material', amount: '12.5' }] }, item.id);
  expect((await readProposal(owner, id)).moved).toMatchObject({
    [item.id]: { costs: [{ type: 'material', amount: '12.5' }] },
  });
  const copy = async (costs: 'kept' | 'refreshed') => {
    const made = await copyProposal(owner, { proposalId: id, ...other, title: 'Copy', costs });
    return readProposal(owner, made.id);
  };
  const kept = await copy('kept');
  expect(kept.customer.name).toBe('Other');
  expect(kept.document.sections).toEqual((await readProposal(owner, id)).document.sections);
  expect(JSON.stringify(kept.document)).not.toMatch(/Dear First|gate code|2020-01-01/);
  const refreshed = await copy('refreshed');
  expect(refreshed.document.sections[0]!.entries[0]).toMatchObject({
    costs: [{ type: 'material', amount: '12.5' }],
    quantity: '4',
  });
  expect(refreshed.moved).toEqual({});
  expect(refreshed.number).toBe(kept.number + 1);
});

test('a proposal kept as a template starts others, its quantities to be looked at', async () => {
  const { owner, id, other } = await setUp();
  const { id: templateId } = await saveAsTemplate(owner, { proposalId: id, name: 'Deck', about: 'posts' });
  expect(await listTemplates(owner)).toMatchObject([{ id: templateId, name: 'Deck', about: 'posts' }]);
  const made = await startProposal(owner, { ...other, title: 'New deck', templateId });
  expect((await readProposal(owner, made.id)).document).toMatchObject({
    title: 'New deck',
    sections: [{ entries: [{ quantity: '4', quantityOpen: true }] }],
  });
  await expect(saveAsTemplate(owner, { proposalId: id, name: 'Deck', about: '' })).rejects.toThrow('already');
});

test('of one’s own company only', async () => {
  const { id, other } = await setUp();
  const stranger = await newCompany();
  await expect(saveAsTemplate(stranger, { proposalId: id, name: 'X', about: '' })).rejects.toThrow(
    'no such proposal',
  );
  await expect(
    copyProposal(stranger, { proposalId: id, ...other, title: 'X', costs: 'kept' }),
  ).rejects.toThrow('no such proposal');
});

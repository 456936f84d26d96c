import { listAreas, saveAreas } from '@/services/library/areas';
import { saveCustomer } from '@/services/customers/customers';
import { readProposal } from '@/services/proposals/read';
import { startProposal } from '@/services/proposals/start';
import type { Actor } from '@/services/actor';
import { closeConnection } from '@/data/connection';
import { newCompany } from '../support/desk';

afterAll(closeConnection);

async function areaAt(owner: Actor, postcode: string) {
  const { id: customerId, siteId } = await saveCustomer(owner, {
    name: `At ${postcode}`,
    contactName: '',
    email: '',
    phone: '',
    billing: { street: '1 Row', city: 'Marrowby', region: '', postcode, country: 'US' },
    internalNote: '',
  });
  const { id } = await startProposal(owner, { customerId, siteId: siteId!, title: 'X', templateId: null });
  return (await readProposal(owner, id)).document.area;
}

test('a proposal takes the factors of the longest prefix of its site, or none', async () => {
  const owner = await newCompany();
  expect(await saveAreas(owner, '005;Coast;1.04;1.09;1.02\n0051;Ness;1.08;1.16;1.05')).toEqual({
    count: 2,
  });
  expect(await areaAt(owner, '005-19')).toEqual({
    name: 'Ness',
    material: '1.08',
    labour: '1.16',
    equipment: '1.05',
  });
  expect(await areaAt(owner, '00 599')).toMatchObject({ name: 'Coast' });
  expect(await areaAt(owner, '10551')).toBeUndefined();
  expect(await areaAt(owner, '')).toBeUndefined();
});

test('a table that is wrong changes nothing; another company has its own', async () => {
  const owner = await newCompany();
  const stranger = await newCompany();
  await saveAreas(owner, '1;A;1;1;1');
  await expect(saveAreas(owner, '1;A;1;1;1\n2;B;0;1;1')).rejects.toThrow('Line 2');
  await expect(saveAreas(owner, 'x'.repeat(1_000_001))).rejects.toThrow('a million letters');
  expect(await listAreas(owner)).toHaveLength(1);
  await saveAreas(stranger, '');
  expect(await listAreas(owner)).toHaveLength(1);
});

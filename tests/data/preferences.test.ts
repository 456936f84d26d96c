import { readPreferences, savePreferences } from '@/services/accounts/preferences';
import { closeConnection } from '@/data/connection';
import { newCompany } from '../support/desk';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

test('how a person likes the desk is kept for them alone, whatever their role', async () => {
  const owner = await newCompany();
  expect(await readPreferences(owner)).toEqual({});
  await savePreferences(inRole(owner, 'office'), { columns: ['code', 'margin'] });
  expect(await readPreferences(owner)).toEqual({ columns: ['code', 'margin'] });
  expect(await readPreferences(await newCompany())).toEqual({});
  await expect(savePreferences(owner, { columns: 'all' })).rejects.toThrow();
  await expect(savePreferences(owner, { theme: 'x' })).rejects.toThrow();
});

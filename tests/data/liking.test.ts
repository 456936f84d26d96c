import { readLiking, saveLiking } from '@/acts/accounts/liking';
import { closeConnection } from '@/data/connection';
import { newCompany } from '../support/desk';

afterAll(closeConnection);

test('how a person likes the desk is kept for them alone, whatever their role', async () => {
  const owner = await newCompany();
  expect(await readLiking(owner)).toEqual({});
  await saveLiking({ ...owner, role: 'office' }, { columns: ['code', 'margin'] });
  expect(await readLiking(owner)).toEqual({ columns: ['code', 'margin'] });
  expect(await readLiking(await newCompany())).toEqual({});
  await expect(saveLiking(owner, { columns: 'all' })).rejects.toThrow();
  await expect(saveLiking(owner, { theme: 'x' })).rejects.toThrow();
});

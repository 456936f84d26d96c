import { closeConnection } from '@/data/connection';
import { listFile } from '@/services/downloads/lists';
import { historyList } from '@/services/history/historyList';
import { readList, readWholeList } from '@/services/lists/deskList';
import { saveRole } from '@/services/people/roles';
import { detailsOf, saveCompany } from '@/services/settings/company';
import { companyOf } from '@/data/settings/company';
import { inCompany } from '@/data/connection';
import { newCompany, newProposal, refusal, testDocument } from '../support/desk';
import { sql } from 'drizzle-orm';
import { demoOwner } from '../support/demo';
import { inRole } from '../support/inRole';
import { asOwner } from '../support/owner';

afterAll(closeConnection);

test('who did what, when, of what: found, filtered, with what changed; for who may change settings', async () => {
  const owner = await newCompany();
  const proposalId = await newProposal(owner, testDocument());
  const before = await inCompany(owner, async (tx) => detailsOf(await companyOf(tx, owner.companyId)));
  await saveCompany(owner, { ...before, phone: '(000) 555-0199' });
  const { id: roleId } = await saveRole(owner, { name: 'Lead', permissions: ['jobs'], discount: null });
  await saveRole(owner, { id: roleId, name: 'Foreman', permissions: ['jobs'], discount: '5' });

  const whole = await readWholeList(owner, historyList, {});
  expect(whole.rows.length).toBeGreaterThanOrEqual(5);
  expect(whole.rows.every(({ who }) => who === 'Test Owner')).toBe(true);
  const of = async (act: string) => (await readWholeList(owner, historyList, { act })).rows;
  expect((await of('company changed'))[0]!.says).toEqual(['phone: 1 → (000) 555-0199']);
  expect((await of('role changed'))[0]!.says).toEqual(['name: Lead → Foreman', 'discount: nothing → 5']);
  const about = (await readWholeList(owner, historyList, { search: 'customer' })).rows;
  expect(about.map(({ kind, act }) => [kind, act])).toContainEqual(['customer', 'customer added']);
  const started = whole.rows.find(({ subject }) => subject === proposalId)!;
  expect(started).toMatchObject({ kind: 'proposal' });
  expect((await readList(owner, historyList, { at: '..2020-01-01' })).count).toBe(0);
  expect(whole.spec.filters.find(({ key }) => key === 'act')).toMatchObject({
    options: [...new Set(whole.rows.map(({ act }) => act))].sort().map((act) => ({ value: act, label: act })),
  });

  // Of one thing alone; what is no identity asks for nothing.
  const ofIt = (await readWholeList(owner, historyList, { of: proposalId })).rows;
  expect(ofIt.length).toBeGreaterThan(0);
  expect(ofIt).toEqual(whole.rows.filter(({ subject }) => subject === proposalId));
  expect((await readList(owner, historyList, { of: 'everything' })).count).toBe(whole.rows.length);

  for (const kind of ['manager', 'seller', 'office', 'field'] as const)
    expect(await refusal(readList(inRole(owner, kind), historyList, {}))).toMatchObject({
      code: 'role-not-allowed',
    });
  const file = await listFile(owner, 'history', { format: 'csv' });
  expect(JSON.stringify(file)).toContain('role changed');
  // Of another company nothing.
  const other = await newCompany();
  expect((await readWholeList(other, historyList, {})).rows).toEqual([]);
});

test('of a job all of it: from the proposal, the agreement or an invoice it is the same', async () => {
  const owner = await demoOwner();
  const { rows } = await asOwner((tx) =>
    tx.execute<{ agreement: string; proposal: string; invoice: string }>(
      sql`select g.id as agreement, g.proposal_id as proposal, i.id as invoice
          from agreement g join invoice i on i.agreement_id = g.id where g.company_id = ${owner.companyId} limit 1`,
    ),
  );
  const { agreement, proposal, invoice } = rows[0]!;
  const subjects = async (of: string) =>
    (await readWholeList(owner, historyList, { of })).rows.map(({ id }) => id);
  const whole = await subjects(agreement);
  expect(whole.length).toBeGreaterThan(2);
  expect(await subjects(proposal)).toEqual(whole);
  expect(await subjects(invoice)).toEqual(whole);
  // Of another company's eyes nothing.
  expect((await readWholeList(await newCompany(), historyList, { of: agreement })).rows).toEqual([]);
});

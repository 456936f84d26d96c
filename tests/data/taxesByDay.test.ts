import { desc } from 'drizzle-orm';
import { closeConnection, inCompany } from '@/data/connection';
import { audit } from '@/data/schema';
import { taxMoves } from '@/core/editing';
import type { CompanyTaxClass, ProposalDocument } from '@/model';
import type { Actor } from '@/services/actor';
import { readProposal } from '@/services/proposals/read';
import { saveAsTemplate } from '@/services/proposals/reuse';
import { startProposal } from '@/services/proposals/start';
import { readSettings, saveSettings } from '@/services/settings/settings';
import { newCompany, newCustomer, refusal } from '../support/desk';

afterAll(closeConnection);

const classes: CompanyTaxClass[] = [
  {
    id: 'work',
    name: 'Work',
    components: [
      {
        id: 'state',
        name: 'State, Marrowby',
        percent: '5',
        later: [{ from: '2031-01-01', percent: '6.25' }],
      },
    ],
  },
  { id: 'gone', name: 'Gone', retired: true, components: [] },
];

const on = (actor: Actor, day: string): Actor => ({ ...actor, now: new Date(`${day}T12:00:00Z`) });

async function withTaxes(): Promise<Actor> {
  const actor = await newCompany();
  const { settled } = await readSettings(actor);
  await saveSettings(actor, { ...settled, usual: { ...settled.usual, taxClasses: classes } });
  return actor;
}

const begin = async (actor: Actor, templateId: string | null = null) => {
  const { customerId, siteId } = await newCustomer(actor);
  const { id } = await startProposal(actor, { customerId, siteId, title: 'Porch', templateId });
  return id;
};
const rate = ({ taxClasses }: ProposalDocument) => taxClasses[0]!.components[0]!.percent;

test('a proposal begun has the tax of its day; one begun before keeps its own, and is told of the other', async () => {
  const actor = await withTaxes();
  const [before, after] = [on(actor, '2030-12-31'), on(actor, '2031-01-01')];
  const early = await begin(before);
  const { document, taxesNow } = await readProposal(before, early);
  expect(rate(document)).toBe('5');
  // A document has the plain tax: neither days to come nor what is retired by flag.
  expect(document.taxClasses[0]).toEqual({
    id: 'work',
    name: 'Work',
    components: [{ id: 'state', name: 'State, Marrowby', percent: '5' }],
  });
  expect(taxMoves(document, taxesNow)).toEqual([]);

  const late = await begin(after);
  expect(rate((await readProposal(after, late)).document)).toBe('6.25');
  const later = await readProposal(after, early);
  expect(rate(later.document)).toBe('5');
  expect(taxMoves(later.document, later.taxesNow)).toMatchObject([{ before: '5', after: '6.25' }]);
});

test('from a template of before, the tax is that of the day', async () => {
  const actor = await withTaxes();
  const [before, after] = [on(actor, '2030-12-31'), on(actor, '2031-02-01')];
  const early = await begin(before);
  const { id: templateId } = await saveAsTemplate(before, { proposalId: early, name: 'Porch', about: '' });
  expect(rate((await readProposal(after, await begin(after, templateId))).document)).toBe('6.25');
  expect(rate((await readProposal(before, await begin(before, templateId))).document)).toBe('5');
});

test('what changed in the settings is on record before and after, and nothing else of them', async () => {
  const actor = await withTaxes();
  const { settled } = await readSettings(actor);
  await saveSettings(actor, { ...settled, validityDays: 45, over: settled });
  const [row] = await inCompany(actor, (tx) =>
    tx.select().from(audit).orderBy(desc(audit.at), desc(audit.id)).limit(1),
  );
  expect(row).toMatchObject({
    act: 'settings changed',
    detail: { before: { validityDays: 30 }, after: { validityDays: 45 } },
  });
  expect(Object.keys((row!.detail as { after: object }).after)).toEqual(['validityDays']);
});

test('a day that is none, and a percentage that is none, are refused at the door', async () => {
  const actor = await newCompany();
  const { settled } = await readSettings(actor);
  const put = (later: unknown) =>
    refusal(
      saveSettings(actor, {
        ...settled,
        usual: {
          ...settled.usual,
          taxClasses: [{ ...classes[0]!, components: [{ id: 'a', name: 'A', percent: '1', later }] }],
        },
      }),
    );
  expect((await put([{ from: '2031-13-01', percent: '1' }])).code).toBe('not-well-formed');
  expect((await put([{ from: '2031-01-01', percent: 'a lot' }])).code).toBe('not-well-formed');
  expect((await put(Array.from({ length: 13 }, () => ({ from: '2031-01-01', percent: '1' })))).code).toBe(
    'not-well-formed',
  );
});

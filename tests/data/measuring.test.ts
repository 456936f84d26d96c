import { closeConnection, inCompany } from '@/data/connection';
import { updateCompany } from '@/data/settings/company';
import { startChangeOrder } from '@/services/proposals/changeOrder';
import { readProposal } from '@/services/proposals/read';
import { saveAsTemplate } from '@/services/proposals/reuse';
import { startProposal } from '@/services/proposals/start';
import { openBooklet } from '@/services/booklet/open';
import type { Actor } from '@/services/actor';
import { readSides } from '@/core/editing';
import type { Bundle, ProposalDocument } from '@/model';
import { newAgreement, newCompany, newCustomer, newProposal, sendIt, visit } from '../support/desk';
import { bundle, line, plainDocument } from '../support/documents';

afterAll(closeConnection);

const measures = (actor: Actor, units: 'us' | 'metric') =>
  inCompany(actor, (tx) => updateCompany(tx, actor.companyId, { units }));
const measuredIn = async (actor: Actor, id: string) => (await readProposal(actor, id)).document.measuring;

test('a proposal is begun in what the company measures in, from nothing and from a template of another time', async () => {
  const actor = await newCompany();
  const start = async (templateId: string | null) =>
    (
      await startProposal(actor, {
        ...(await newCustomer(actor)),
        title: 'Porch',
        templateId,
      })
    ).id;
  const feet = await start(null);
  expect(await measuredIn(actor, feet)).toBeUndefined();
  const { id: templateId } = await saveAsTemplate(actor, { proposalId: feet, name: 'Of feet', about: '' });
  await measures(actor, 'metric');
  expect(await measuredIn(actor, await start(null))).toBe('metric');
  expect(await measuredIn(actor, await start(templateId))).toBe('metric');
  // What is begun stays as it is, and so does the template.
  expect(await measuredIn(actor, feet)).toBeUndefined();
  await measures(actor, 'us');
  expect(await measuredIn(actor, await start(templateId))).toBeUndefined();
});

test('the customer reads meters, on the proposal and on a change of it, whatever the company measures in since', async () => {
  const actor = await newCompany();
  const wall: Bundle = bundle('wall', {}, [], {
    name: 'Screen wall of {run}',
    recipe: {
      inputs: [{ name: 'run', label: 'Run', kind: 'length', default: '10' }],
      grades: [],
      parts: [],
    },
    values: { run: '6 m' },
    added: [line('mesh', '1', '100')],
  });
  const document: ProposalDocument = {
    ...plainDocument([
      {
        id: 's',
        title: 'Porch',
        space: readSides('4.5 x 4', 'metric'),
        entries: [line('l1', '2', '50'), wall],
      },
    ]),
    measuring: 'metric',
  };
  const booklet = await openBooklet(await visit(await sendIt(actor, await newProposal(actor, document))));
  expect(JSON.stringify(booklet.view)).toContain('Screen wall of 6 m');
  expect(JSON.stringify(booklet.view)).not.toMatch(/ ft\b/);
  const { agreementId } = await newAgreement(actor, document);
  const { id } = await startChangeOrder(actor, { agreementId });
  expect(await measuredIn(actor, id)).toBe('metric');
});

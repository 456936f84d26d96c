import sharp from 'sharp';
import { readCustomer } from '@/services/customers/customers';
import { visitorFile } from '@/services/booklet/files';
import { openBooklet } from '@/services/booklet/open';
import { fileForDesk, keepFile, keepSamplePlan } from '@/services/files/keep';
import { bookletPaper, exportPlan } from '@/services/downloads/papers';
import { readProposal } from '@/services/proposals/read';
import { copyProposal, saveAsTemplate } from '@/services/proposals/reuse';
import { saveProposal } from '@/services/proposals/save';
import { importProposal, startProposal } from '@/services/proposals/start';
import type { Actor } from '@/services/actor';
import { closeConnection } from '@/data/connection';
import type { Plan, ProposalDocument } from '@/model';
import { newCompany, newProposal, sendIt, testDocument, visit } from '../support/desk';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const drawn = (colour = '#123456') =>
  sharp({ create: { width: 300, height: 200, channels: 3, background: colour } })
    .png()
    .toBuffer();

const planOf = (file: string, more: Partial<Plan> = {}): Plan => ({
  id: 'plan',
  name: 'Ground floor',
  file,
  width: 3000,
  height: 2000,
  scale: { from: [0, 0], to: [100, 0], length: { value: '1' } },
  traced: [
    {
      id: 't1',
      name: 'deck_secret_name',
      label: 'Deck',
      kind: 'area',
      figures: [
        {
          points: [
            [0, 0],
            [1200, 0],
            [1200, 1000],
            [0, 1000],
          ],
        },
      ],
    },
  ],
  ...more,
});
const withPlan = (plan: Plan): ProposalDocument => ({ ...testDocument(), plans: [plan] });
const add = (actor: Actor, proposalId: string, saveNumber: number, plan: Plan) =>
  saveProposal(actor, { proposalId, saveNumber, patches: [{ op: 'add', path: '/plans', value: [plan] }] });

describe('kept pictures', () => {
  test('the same picture is kept once; its bytes come back, small and whole', async () => {
    const owner = await newCompany();
    const first = await keepFile(owner, 'plan', 'House', await drawn());
    const again = await keepFile(owner, 'plan', 'House again', await drawn());
    expect(again.id).toBe(first.id);
    expect(first).toMatchObject({ width: 300, height: 200, name: 'House' });
    const whole = await fileForDesk(owner, first.id, false);
    expect(await sharp(whole.bytes).metadata()).toMatchObject({ format: 'png', width: 300 });
    expect((await fileForDesk(owner, first.id, true)).type).toBe('image/webp');
  });

  test('another company does not find it, and cannot put it into a proposal', async () => {
    const owner = await newCompany();
    const other = await newCompany();
    const { id } = await keepFile(owner, 'plan', 'House', await drawn());
    await expect(fileForDesk(other, id, false)).rejects.toMatchObject({ details: { status: 404 } });
    const proposalId = await newProposal(other);
    const { saveNumber } = await readProposal(other, proposalId);
    await expect(add(other, proposalId, saveNumber, planOf(id))).rejects.toMatchObject({
      details: { status: 422 },
    });
    await expect(newProposal(other, withPlan(planOf(id)))).rejects.toMatchObject({
      details: { status: 422 },
    });
    expect((await readProposal(other, proposalId)).document.plans).toBeUndefined();
  });

  test('the office does not bring pictures in; what is no picture is refused', async () => {
    const owner = await newCompany();
    await expect(keepFile(inRole(owner, 'office'), 'plan', 'x', await drawn())).rejects.toMatchObject({
      details: { status: 403 },
    });
    await expect(keepFile(owner, 'plan', 'x', Buffer.from('x'))).rejects.toMatchObject({
      details: { status: 422 },
    });
    await expect(keepSamplePlan(owner, '../secrets')).rejects.toMatchObject({ details: { status: 404 } });
    expect(await keepSamplePlan(owner, 'attic')).toMatchObject({ width: 1840, height: 1360 });
  });
});

describe('plans and the customer', () => {
  test('a plan that is shown reaches the customer with labels and quantities, never its names in formulas', async () => {
    const owner = await newCompany();
    const { id } = await keepFile(owner, 'plan', 'House', await drawn());
    const token = await sendIt(owner, await newProposal(owner, withPlan(planOf(id, { shown: true }))));
    const visitor = await visit(token);
    const booklet = await openBooklet(visitor);
    expect(booklet.view.plans).toEqual([
      expect.objectContaining({
        file: id,
        marks: [expect.objectContaining({ label: 'Deck', quantity: '120 sq ft' })],
      }),
    ]);
    expect(JSON.stringify(booklet)).not.toContain('secret_name');
    expect((await visitorFile(visitor, id)).type).toBe('image/png');
    const pdf = await bookletPaper(visitor);
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    // The picture is in it.
    expect(pdf.includes('/Subtype /Image')).toBe(true);
  });

  test('a plan that is ours stays ours, picture and all', async () => {
    const owner = await newCompany();
    const { id } = await keepFile(owner, 'plan', 'House', await drawn());
    const token = await sendIt(owner, await newProposal(owner, withPlan(planOf(id))));
    const visitor = await visit(token);
    expect((await openBooklet(visitor)).view.plans).toEqual([]);
    await expect(visitorFile(visitor, id)).rejects.toMatchObject({ details: { status: 404 } });
    const shown = await keepFile(owner, 'plan', 'Other', await drawn('#654321'));
    await expect(visitorFile(visitor, shown.id)).rejects.toMatchObject({ details: { status: 404 } });
  });
});

/** Another customer of the company, and where they live. */
async function elsewhere(owner: Actor): Promise<{ customerId: string; siteId: string }> {
  const { customer } = await readProposal(owner, await newProposal(owner));
  const { sites } = await readCustomer(owner, customer.id);
  return { customerId: customer.id, siteId: sites[0]!.id };
}

describe('plans and other proposals', () => {
  const measured = [
    expect.objectContaining({ name: 'deck_secret_name', kind: 'area', value: '120' }),
    expect.objectContaining({ name: 'deck_secret_name_edge', kind: 'length', value: '44' }),
  ];

  test('a template keeps what was measured, not whose house it was', async () => {
    const owner = await newCompany();
    const { id } = await keepFile(owner, 'plan', 'House', await drawn());
    const document = withPlan(planOf(id));
    document.sections[0]!.space = { shape: { kind: 'traced', measure: 'deck_secret_name' }, openings: [] };
    const proposalId = await newProposal(owner, document);
    const { id: templateId } = await saveAsTemplate(owner, { proposalId, name: 'Deck', about: 'A deck' });
    const place = await elsewhere(owner);
    const started = await startProposal(owner, { ...place, title: 'Next', templateId });
    const { plans, measures, sections } = (await readProposal(owner, started.id)).document;
    expect([plans, measures, sections[0]!.space]).toEqual([undefined, measured, undefined]);
  });

  test('a copy for the same site keeps the plans; for another customer it keeps only what was measured', async () => {
    const owner = await newCompany();
    const { id } = await keepFile(owner, 'plan', 'House', await drawn());
    const here = await elsewhere(owner);
    const { id: proposalId } = await importProposal(owner, here, withPlan(planOf(id)));
    const copied = async (place: typeof here) => {
      const copy = await copyProposal(owner, { proposalId, ...place, title: 'Copy', costs: 'kept' });
      return (await readProposal(owner, copy.id)).document;
    };
    expect((await copied(here)).plans).toHaveLength(1);
    const other = await copied(await elsewhere(owner));
    expect([other.plans, other.measures]).toEqual([undefined, measured]);
  });

  test('what was traced comes out as GeoJSON; a plan that is not there is told', async () => {
    const owner = await newCompany();
    const { id } = await keepFile(owner, 'plan', 'House', await drawn());
    const proposalId = await newProposal(owner, withPlan(planOf(id)));
    expect((await exportPlan(owner, proposalId, 'plan')).features).toHaveLength(1);
    await expect(exportPlan(owner, proposalId, 'other')).rejects.toMatchObject({ details: { status: 404 } });
    await expect(exportPlan(await newCompany(), proposalId, 'plan')).rejects.toMatchObject({
      details: { status: 404 },
    });
  });
});

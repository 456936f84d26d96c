import { closeConnection } from '@/data/connection';
import { computeFigures } from '@/core/price';
import { parseFixed, writeAmount } from '@/core/number';
import type { JsonPatchStep } from '@/core/editing';
import type { Bundle, Line, PricesGiven, ProposalDocument } from '@/model';
import { asSuggested, withNeeded } from '@/model';
import type { Actor } from '@/services/actor';
import { addBundle, bundlesWith, readBundle } from '@/services/library/bundles';
import { findInLibrary } from '@/services/library/find';
import { matchLines } from '@/services/library/matches';
import { readTrade } from '@/services/library/byTrade';
import { saveItem } from '@/services/library/items';
import { bundleFromLibrary, lineFromItem } from '@/core/editing';
import { changesSince } from '@/services/proposals/changes';
import { compareRevisions } from '@/services/proposals/compare';
import { readProposal } from '@/services/proposals/read';
import { askApproval } from '@/services/proposals/approval';
import { saveProposal } from '@/services/proposals/save';
import { sendProposal } from '@/services/proposals/send';
import { readSettings, saveSettings } from '@/services/settings/settings';
import { inCompany } from '@/data/connection';
import { proposalById } from '@/data/proposals/proposal';
import { moreOf, omissionLine } from '@/core/agreements';
import { startChangeOrder } from '@/services/proposals/changeOrder';
import { newAgreement, newCompany, newProposal, refusal } from '../support/desk';
import { line, plainDocument } from '../support/documents';

afterAll(closeConnection);

/** Costs that stand nowhere else, so that they can be looked for in every byte. */
const COSTS = ['417.13', '61.37', '1013.59', '7919.31', '271.83', '23.71'];

const withCosts = (): ProposalDocument =>
  plainDocument(
    [
      {
        id: 's',
        title: 'Porch',
        loads: [{ id: 'own', name: 'Markup', kind: 'profit', percent: '23.71', base: 'direct' }],
        entries: [
          line('deck', '12', '417.13', { waste: '8' }),
          line('rail', '3', '9', {
            costs: [{ type: 'labour', hours: '2', rate: '61.37' }],
            typedCost: '1013.59',
          }),
        ],
      },
    ],
    { loads: [{ id: 'p', name: 'Profit', kind: 'profit', percent: '30', base: 'direct' }] },
  );

let owner: Actor;
let seller: Actor;
let itemId: string;
let bundleId: string;

beforeAll(async () => {
  owner = await newCompany();
  seller = {
    ...owner,
    isOwner: false,
    permissions: withNeeded(['propose', 'send', 'allProposals', 'export']),
  };
  const item = await saveItem(owner, {
    code: 'SCREEN-1',
    name: 'Screen mesh, fine',
    detail: '',
    trade: 'Screens',
    unit: 'sqft',
    costs: [{ type: 'material', amount: '7919.31' }],
    pack: '40',
    taxClass: 'taxed',
    costCode: '',
    tags: [],
    internalNote: '',
  });
  itemId = item.id;
  bundleId = (
    await addBundle(owner, {
      code: 'WALL-1',
      name: 'Screen wall',
      detail: '',
      trade: 'Screens',
      tags: [],
      internalNote: '',
      shows: 'one',
      recipe: {
        inputs: [{ name: 'area', label: 'Area', kind: 'area', default: '100' }],
        grades: [],
        parts: [{ id: 'mesh', name: 'mesh', item: itemId, quantity: 'area' }],
      },
    })
  ).id;
});

const started = () => newProposal(owner, withCosts());
const stored = (id: string) =>
  inCompany(owner, async (tx) => (await proposalById(tx, id))[0]!.document as ProposalDocument);
const saysNoCost = (answer: unknown) => {
  const text = JSON.stringify(answer);
  for (const cost of COSTS) expect(text).not.toContain(cost);
};
const edit = (proposalId: string, saveNumber: number, patches: JsonPatchStep[], by = seller) =>
  saveProposal(by, { proposalId, saveNumber, patches });
/** What somebody without cost reads as the total, of what they were given. */
const totalSeen = (document: ProposalDocument, prices: PricesGiven | null) =>
  writeAmount(computeFigures({ ...document, pricedAt: prices! }, asSuggested).total, 2);
const totalOf = (document: ProposalDocument) => writeAmount(computeFigures(document, asSuggested).total, 2);

test('who sees no cost reads the same prices, and nothing of cost in any answer', async () => {
  const id = await started();
  const read = await readProposal(seller, id);
  saysNoCost(read);
  expect(read.loadSets).toEqual([]);
  expect(read.moved).toEqual({});
  expect(totalSeen(read.document, read.prices)).toBe(totalOf(await stored(id)));
  expect((await readProposal(owner, id)).prices).toBeNull();
  saysNoCost(await findInLibrary(seller, 'screen'));
  saysNoCost(await matchLines(seller, { lines: ['screen mesh fine'] }));
  saysNoCost(await readTrade(seller, 'Screens'));
  saysNoCost([await readBundle(seller, bundleId), await bundlesWith(seller, itemId)]);
  expect(JSON.stringify(await findInLibrary(owner, 'screen'))).toContain('7919.31');
});

test('what they edit is that edit, and what it costs stays; new prices come with the answer', async () => {
  const id = await started();
  const { document } = await readProposal(seller, id);
  const before = await stored(id);
  const saved = await edit(id, 0, [
    { op: 'replace', path: '/sections/0/entries/0/quantity', value: '20' },
    { op: 'replace', path: '/title', value: 'Another' },
  ]);
  expect(saved.prices).toEqual({});
  const after = await stored(id);
  expect(after).toEqual({
    ...before,
    title: 'Another',
    sections: [
      {
        ...before.sections[0]!,
        entries: [
          { ...(before.sections[0]!.entries[0] as Line), quantity: '20' },
          before.sections[0]!.entries[1],
        ],
      },
    ],
  });
  // Cost that is sent along all the same is not taken.
  await edit(id, 1, [
    { op: 'replace', path: '/sections/0/entries/0/costs', value: [{ type: 'material', amount: '1' }] },
    { op: 'replace', path: '/loads', value: [] },
  ]);
  expect(await stored(id)).toEqual(after);

  // An item and a bundle of the library, as the desk takes them without their costs.
  const [found] = await findInLibrary(seller, 'screen mesh');
  const library = await readBundle(seller, bundleId);
  if (found?.kind !== 'item') throw new Error('The item is not found.');
  const added = lineFromItem(found.item, 'new', '10');
  const bundle: Bundle = bundleFromLibrary(library, library.makeup, 'wall');
  const more = await edit(id, 2, [
    { op: 'add', path: '/sections/0/entries/-', value: added },
    { op: 'add', path: '/sections/0/entries/-', value: bundle },
  ]);
  const whole = await stored(id);
  expect((whole.sections[0]!.entries[2] as Line).costs).toEqual([{ type: 'material', amount: '7919.31' }]);
  expect(whole.sections[0]!.entries[2]).toMatchObject({ pack: '40' });
  expect(Object.keys(more.prices!).sort()).toEqual(['new', 'wall.mesh@']);
  const now = await readProposal(seller, id);
  expect(totalSeen(now.document, now.prices)).toBe(totalOf(whole));
  saysNoCost([now, more]);
  expect(document.loads).toEqual([]);
});

test('taken out and undone, a line costs what it cost, typed over or not', async () => {
  const id = await started();
  const before = await stored(id);
  const { document } = await readProposal(seller, id);
  await edit(id, 0, [{ op: 'remove', path: '/sections/0/entries/1' }]);
  await edit(id, 1, [{ op: 'add', path: '/sections/0/entries/1', value: document.sections[0]!.entries[1] }]);
  expect(await stored(id)).toEqual(before);
  // Also with the section it stood in.
  await edit(id, 2, [
    { op: 'add', path: '/sections/1', value: { id: 'other', title: 'Other', entries: [] } },
    { op: 'remove', path: '/sections/0' },
  ]);
  await edit(id, 3, [
    { op: 'add', path: '/sections/0', value: document.sections[0] },
    { op: 'remove', path: '/sections/1' },
  ]);
  const after = await stored(id);
  expect(after.sections[0]!.entries).toEqual(before.sections[0]!.entries);
});

test('told of what others did, they hear where and not what it costs; the same edit asked again is known', async () => {
  const id = await started();
  await edit(id, 0, [{ op: 'add', path: '/sections/0/entries/0/typedCost', value: '271.83' }], owner);
  const mine: JsonPatchStep[] = [{ op: 'replace', path: '/title', value: 'Mine' }];
  const { code, context } = (await refusal(edit(id, 0, mine))) as unknown as {
    code: string;
    context: { document: ProposalDocument; patches: unknown; prices: PricesGiven };
  };
  expect(code).toBe('changed-meanwhile');
  saysNoCost(context);
  expect(context.patches).toEqual([{ op: 'add', path: '/sections/0/entries/0/typedCost', value: null }]);
  expect(totalSeen(context.document, context.prices)).toBe(totalOf(await stored(id)));
  saysNoCost(await changesSince(seller, id, 0));
  const saved = await edit(id, 1, mine);
  // Its answer was lost: asked again, it is stored already, and all prices come.
  const again = await edit(id, 1, mine);
  expect(again.saveNumber).toBe(saved.saveNumber);
  expect(Object.keys(again.prices!).sort()).toEqual(['deck', 'rail']);
});

test('sent, compared and asked about without a word of cost or margin', async () => {
  const id = await started();
  const settings = { depositInvoiceOnAcceptance: false, validityDays: 30, paymentDays: 14 };
  const { settled } = await readSettings(owner);
  await saveSettings(owner, {
    ...settled,
    ...settings,
    pricing: { ...settled.pricing, limits: { margin: '60' } },
  });
  const refused = await refusal(
    sendProposal(seller, { proposalId: id, saveNumber: 0, to: 'a@test.example', words: '' }),
  );
  expect(refused.code).toBe('approval-needed');
  expect(JSON.stringify(refused)).not.toMatch(/%|The margin/);
  await askApproval(seller, { proposalId: id, saveNumber: 0, words: 'May I?' });
  const read = await readProposal(seller, id);
  expect(read.approvals[0]!.reasons.join()).not.toMatch(/%|The margin/);
  expect(read.limits).toEqual({});
  expect((await readProposal(owner, id)).approvals[0]!.reasons.join()).toMatch(/margin/);
  await sendProposal(owner, { proposalId: id, saveNumber: 0, to: 'a@test.example', words: '' });
  await edit(id, 0, [{ op: 'replace', path: '/sections/0/entries/0/quantity', value: '13' }]);
  const changes = await compareRevisions(seller, { proposalId: id, from: 1, to: null });
  saysNoCost(changes);
  expect(changes.sums.map(({ name }) => name)).toEqual(['Price before tax', 'Tax', 'Total']);
  const whole = await compareRevisions(owner, { proposalId: id, from: 1, to: null });
  expect(changes.lines.map(({ difference }) => difference)).toEqual(
    whole.lines.map(({ difference }) => difference),
  );
});

test('a change order of theirs saves and costs what the agreement was sold with, once and again', async () => {
  const { agreementId } = await newAgreement(owner);
  const { id } = await startChangeOrder(seller, { agreementId });
  const asOf = async (actor: Actor) => (await readProposal(actor, id)).change!.agreed;
  const [known] = await asOf(owner);
  const [bare] = await asOf(seller);
  expect(bare!.costs).toEqual([]);
  expect(known!.costs.length).toBeGreaterThan(0);
  const one = parseFixed('1');
  await edit(id, 0, [
    {
      op: 'replace',
      path: '/sections/0/entries',
      value: [omissionLine(bare!, one, 'off'), moreOf(bare!, one, 'more')],
    },
  ]);
  const [off, more] = (await stored(id)).sections[0]!.entries as Line[];
  expect([off, more]).toEqual([omissionLine(known!, one, 'off'), moreOf(known!, one, 'more')]);
  // Taken out and asked for again with another quantity, it saves that.
  const half = parseFixed('0.5');
  await edit(id, 1, [
    { op: 'replace', path: '/sections/0/entries/0', value: omissionLine(bare!, half, 'off') },
  ]);
  expect((await stored(id)).sections[0]!.entries[0]).toEqual(omissionLine(known!, half, 'off'));
});

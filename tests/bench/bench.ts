// npm run bench: prints a table of ratios, each measured against its reference in the same process. Never passes or fails.
import { produce } from 'immer';
import { sql } from 'drizzle-orm';
import Decimal from 'decimal.js';
import { HyperFormula } from 'hyperformula';
import { createCompany } from '@/services/entering/createCompany';
import { addItems } from '@/services/library/add';
import { closeConnection, inCompany } from '@/data/connection';
import { searchItems } from '@/data/library/search';
import { ensureDatabase, migrateDatabase } from '@/data/upkeep/migrate';
import { makeRoles } from '@/data/upkeep/roles';
import { applyImport, previewImport, startImport } from '@/services/library/importItems';
import { item } from '@/data/schema';
import { setBundleValue, setQuantity } from '@/core/editing';
import { menuOf } from '@/core/choice';
import { computeFigures } from '@/core/price';
import { rangeOf } from '@/core/range';
import { itemInputs } from '@/services/library/starting/items';
import { bundle, line, plainDocument } from '../support/documents';
import { manyChoices } from '../support/manyChoices';
import { issuing, listPages, moneyPages, randomPaths, statement, together } from './money';
import { asOwner } from '../support/owner';

interface Row {
  readonly what: string;
  readonly size: string;
  readonly ours: number;
  readonly reference: number;
  readonly referenceIs: string;
}

/** Median of many runs in milliseconds, both sides in turn, so that both meet the same machine. */
async function both(
  times: number,
  ours: (i: number) => unknown,
  reference: (i: number) => unknown,
): Promise<[number, number]> {
  const taken: [number[], number[]] = [[], []];
  for (let i = 0; i < times; i += 1)
    for (const [side, run] of [ours, reference].entries()) {
      const began = performance.now();
      await run(i);
      taken[side]!.push(performance.now() - began);
    }
  const median = (all: number[]) => all.sort((a, b) => a - b)[Math.floor(all.length / 2)]!;
  return [median(taken[0]), median(taken[1])];
}

function proposal(lines: number) {
  const perSection = 50;
  const sections = Array.from({ length: lines / perSection }, (_, s) => ({
    id: `s${s}`,
    title: `Section ${s}`,
    entries: Array.from({ length: perSection }, (__, i) =>
      line(`l${s}-${i}`, String((i % 17) + 1), `${(i % 90) + 3}.25`),
    ),
  }));
  return plainDocument(sections, {
    loads: [
      { id: 'o', name: 'Overhead', kind: 'overhead', percent: '10', base: 'direct' },
      { id: 'p', name: 'Profit', kind: 'profit', percent: '22', base: 'running' },
    ],
    taxClasses: [
      { id: 'taxed', name: 'Taxed', components: [{ id: 'state', name: 'State', percent: '6.25' }] },
    ],
  });
}

async function recompute(lines: number): Promise<Row> {
  let document = proposal(lines);
  computeFigures(document);
  const all = document.sections.flatMap(({ entries }) => entries.map(({ id }) => id));
  const cells = Array.from({ length: lines }, (_, i) => [
    (i % 17) + 1,
    (i % 90) + 3.25,
    `=ROUND(B${i + 1}*1.1*1.22,2)`,
    `=ROUND(A${i + 1}*C${i + 1},2)`,
  ]);
  const sheet = HyperFormula.buildFromArray(
    [
      ...cells,
      [null, null, null, `=SUM(D1:D${lines})`],
      [null, null, null, `=ROUND(D${lines + 1}*1.0625,2)`],
    ],
    { licenseKey: 'gpl-v3' },
  );
  const [ours, reference] = await both(
    200,
    (i) => {
      document = produce(document, (draft) =>
        setQuantity(draft, all[(i * 37) % lines]!, String((i % 40) + 1)),
      );
      return computeFigures(document).total;
    },
    (i) => {
      sheet.setCellContents({ sheet: 0, row: (i * 37) % lines, col: 0 }, (i % 40) + 1);
      return sheet.getCellValue({ sheet: 0, row: lines + 1, col: 3 });
    },
  );
  return {
    what: 'recompute after one edit',
    size: `${lines} lines`,
    ours,
    reference,
    referenceIs: 'HyperFormula, same sheet',
  };
}

let companies = 0;
const company = () =>
  createCompany(
    {
      name: 'Bench',
      address: { street: '', city: '', region: '', postcode: '', country: 'US' },
      email: '',
      phone: '',
      taxNumber: '',
      currency: 'USD',
      timeZone: 'UTC',
    },
    {
      name: 'Bench',
      email: `bench-${Date.now()}-${(companies += 1)}@bench.example`,
      password: 'gable-otter-91',
    },
    new Date(),
  );

async function search(items: number): Promise<Row> {
  const owner = await company();
  const rows = Array.from({ length: items }, (_, i) => {
    const base = itemInputs[i % itemInputs.length]!;
    return { ...base, code: `${base.code}-${i}`, name: `${base.name} no. ${i}` };
  });
  await addItems(owner, rows);
  // What the server does by itself a minute after many rows came in.
  await asOwner((tx) => tx.execute(sql`analyze item`));
  const words = ['joist', 'screen door', 'concrete', 'ash decking', 'FR-010-0'];
  const [ours, reference] = await inCompany(owner.companyId, async (tx) => {
    await tx.execute(sql`set local statement_timeout = '60s'`);
    return both(
      25,
      (i) => searchItems(tx, words[i % words.length]!),
      (i) =>
        tx.execute(
          sql`select * from item where search_text like ${`%${words[i % words.length]!.toLowerCase().split(' ')[0]}%`} limit 12`,
        ),
    );
  });
  return {
    what: 'library search',
    size: `${items} items`,
    ours,
    reference,
    referenceIs: 'bare SQL: like, first 12',
  };
}

/** A bundle of 200 parts, each on the one input and on the part before it; the input typed anew. */
async function bundleOf(parts: number): Promise<Row> {
  const items = {
    i: {
      description: 'Part',
      unit: 'ft' as const,
      costs: [{ type: 'material' as const, amount: '1.37' }],
      taxClass: 'taxed',
    },
  };
  const recipe = {
    inputs: [{ name: 'run', label: 'Run', kind: 'length' as const, default: '10' }],
    grades: [],
    parts: Array.from({ length: parts }, (_, i) => ({
      id: `p${i}`,
      name: `part${i}`,
      item: 'i',
      quantity: i === 0 ? 'ceil(run / 16in) * 8ft' : `part${i - 1} / 2 + run * ${(i % 7) + 1} / 3`,
    })),
  };
  let document = proposal(50);
  document = produce(document, (draft) => {
    draft.sections[0]!.entries.push(bundle('b', items, [], { recipe }));
  });
  const sheet = HyperFormula.buildFromArray(
    [
      [10],
      ...Array.from({ length: parts }, (_, i) => [
        i === 0 ? '=ROUND(CEILING(A1/(16/12),1)*8,3)' : `=ROUND(A${i + 1}/2+A$1*${(i % 7) + 1}/3,3)`,
        `=ROUND(A${i + 2}*ROUND(1.37*1.1*1.22,2),2)`,
      ]),
      [null, `=SUM(B2:B${parts + 1})`],
    ],
    { licenseKey: 'gpl-v3' },
  );
  const [ours, reference] = await both(
    100,
    (i) => {
      document = produce(document, (draft) => setBundleValue(draft, 'b', 'run', String(10 + (i % 90))));
      return computeFigures(document).total;
    },
    (i) => {
      sheet.setCellContents({ sheet: 0, row: 0, col: 0 }, 10 + (i % 90));
      return sheet.getCellValue({ sheet: 0, row: parts + 1, col: 1 });
    },
  );
  return {
    what: 'recompute of a bundle',
    size: `${parts} parts`,
    ours,
    reference,
    referenceIs: 'HyperFormula, same formulas',
  };
}

async function bringIn(items: number): Promise<Row> {
  const owner = await company();
  const list = Array.from({ length: items }, (_, i) => {
    const base = itemInputs[i % itemInputs.length]!;
    return `${base.code}-${i},"${base.name.replace(/"/g, '')} no. ${i}",${base.trade},${base.unit},${(i % 900) + 1}.25,0.${(i % 8) + 1}5,46.00`;
  });
  const file = new TextEncoder().encode(
    `code,name,trade,unit,material,labour_hours,labour_rate\n${list.join('\n')}\n`,
  );
  const before = process.memoryUsage().rss;
  const peak = { bytes: 0 };
  const watch = setInterval(() => (peak.bytes = Math.max(peak.bytes, process.memoryUsage().rss)), 50);
  const began = performance.now();
  const { id, matching } = await startImport(owner, 'bench.csv', file);
  const { counts } = await previewImport(owner, id, { matching });
  await applyImport(owner, id, { matching });
  const ours = performance.now() - began;
  clearInterval(watch);
  if (counts.added !== items) throw new Error('not all rows were taken');
  const other = await company();
  const rows = await inCompany(owner.companyId, (tx) => tx.select().from(item));
  const again = performance.now();
  await inCompany(other.companyId, async (tx) => {
    for (let at = 0; at < rows.length; at += 500)
      await tx
        .insert(item)
        .values(rows.slice(at, at + 500).map((row) => ({ ...row, companyId: other.companyId })));
  });
  const reference = performance.now() - again;
  const mb = (bytes: number) => Math.round(bytes / 1024 / 1024);
  console.log(
    `import of ${items} rows: at most ${mb(peak.bytes)} MB in the process, ${mb(peak.bytes - before)} of them for it`,
  );
  return {
    what: 'import: read, preview, store',
    size: `${items} rows`,
    ours,
    reference,
    referenceIs: 'the inserts alone',
  };
}

/** The range over 200 choices with rules between them, on a document nobody has looked at; beside it, trying each alone. */
async function range(): Promise<Row> {
  const document = manyChoices();
  const menu = menuOf(document);
  const [ours, reference] = await both(
    15,
    () => rangeOf(structuredClone(document)),
    () => {
      const fresh = structuredClone(document);
      for (const { id, extra } of menu.extras)
        computeFigures(fresh, { extras: { [id]: { in: !extra.in } }, questions: {} });
      for (const { id, answers } of menu.questions)
        for (const answer of answers) computeFigures(fresh, { extras: {}, questions: { [id]: answer.id } });
    },
  );
  return {
    what: 'range over all choices, exact',
    size: '200 choices',
    ours,
    reference,
    referenceIs: 'each choice by itself, one after the other',
  };
}

/** Everything of a proposal nobody has looked at, against a bare loop of a decimal library over its lines. */
async function whole(lines: number): Promise<Row> {
  const document = proposal(lines);
  const bare = document.sections.flatMap(({ entries }) =>
    entries.flatMap((entry) =>
      entry.kind === 'line' && entry.costs[0]?.type === 'material'
        ? [{ quantity: entry.quantity, cost: entry.costs[0].amount }]
        : [],
    ),
  );
  // Each proposal is seen once, so that nothing of it is kept from before.
  const fresh = Array.from({ length: 15 }, () => structuredClone(document));
  const [ours, reference] = await both(
    15,
    (i) => computeFigures(fresh[i]!).total,
    () => {
      let sum = new Decimal(0);
      for (const { quantity, cost } of bare) {
        const price = new Decimal(cost).times('1.1').times('1.22').toDecimalPlaces(2);
        sum = sum.plus(new Decimal(quantity).times(price).toDecimalPlaces(2));
      }
      return sum.times('1.0625').toDecimalPlaces(2).toFixed();
    },
  );
  return {
    what: 'full compute, nothing kept',
    size: `${lines} lines`,
    ours,
    reference,
    referenceIs: 'decimal.js: price × quantity, summed, taxed',
  };
}

// `npm run bench -- import` measures that alone: what a process needs is only seen in one of its own.
const only = process.argv[2];
const wanted = (name: string) => only === undefined || only === name;
const rows: Row[] = [];
if (wanted('recompute')) rows.push(await recompute(2000), await recompute(10000));
if (wanted('range')) rows.push(await range());
if (wanted('whole')) rows.push(await whole(10000));
if (wanted('bundle')) rows.push(await bundleOf(200));
if (wanted('paths')) {
  const [ours, reference] = randomPaths(100_000);
  rows.push({
    what: 'random sequences of invoices, credits, changes and releases, all sound',
    size: '100,000',
    ours,
    reference,
    referenceIs: 'making one up',
  });
}
if (wanted('statement')) {
  const [ours, reference] = await statement(20);
  rows.push({ what: 'statement PDF', size: '20 pages', ours, reference, referenceIs: 'one page of lines' });
}
if (process.env.DATABASE_URL && ['search', 'import', 'browser', 'issue', 'money', 'lists'].some(wanted)) {
  const owner = process.env.DATABASE_OWNER_URL!;
  await makeRoles(owner, process.env.DATABASE_URL);
  await ensureDatabase(owner);
  await migrateDatabase(owner);
  if (wanted('search')) rows.push(await search(50000));
  if (wanted('browser')) {
    // Only here: what drives the browser would count in what the import needs.
    const { keyToTotal, tapToTotal } = await import('./browser');
    const [tapped, plain] = await tapToTotal(manyChoices());
    rows.push({
      what: 'booklet: tap to painted total',
      size: '200 choices',
      ours: tapped,
      reference: plain,
      referenceIs: 'a page of bare boxes and a loop',
    });
    const [ours, reference] = await keyToTotal(proposal(2000), 2000);
    rows.push({
      what: 'browser: key to painted total',
      size: '2000 lines',
      ours,
      reference,
      referenceIs: 'a page of bare inputs and a loop',
    });
  }
  if (wanted('issue'))
    for (const [writers, each] of [
      [1, 60],
      [16, 8],
    ] as const) {
      const [ours, reference] = await issuing(writers, each);
      rows.push({
        what: `stage invoice issued (${(1000 / ours).toFixed(0)} a second)`,
        size: `${writers} at once`,
        ours,
        reference,
        referenceIs: 'a number and one row in a transaction',
      });
    }
  if (wanted('money')) {
    const size = '10,000 agreements, 100,000 invoices';
    const { money, agreements } = await moneyPages(10_000, 100_000);
    const [all, oneByOne] = await together(50);
    rows.push(
      {
        ...{ what: 'money page', size, ours: money[0], reference: money[1] },
        referenceIs: 'bare count and sum of the invoices',
      },
      {
        ...{ what: 'agreements under way, 50', size, ours: agreements[0], reference: agreements[1] },
        referenceIs: 'bare count and sum of the agreements',
      },
      {
        ...{ what: 'agreements loaded together', size: '50', ours: all, reference: oneByOne },
        referenceIs: 'one by one',
      },
    );
  }
  if (wanted('lists')) {
    const { invoices, proposals } = await listPages(10_000, 100_000, 10_000);
    rows.push(
      {
        ...{ what: 'first page of invoices, counted and summed', size: '100,000', ours: invoices[0] },
        ...{ reference: invoices[1], referenceIs: 'the same questions as bare SQL' },
      },
      {
        ...{ what: 'first page of proposals, counted and summed', size: '10,000', ours: proposals[0] },
        ...{ reference: proposals[1], referenceIs: 'the same questions as bare SQL' },
      },
    );
  }
  if (wanted('import')) rows.push(await bringIn(50000));
  await closeConnection();
}
const ms = (value: number) => `${value.toFixed(2)} ms`;
console.table(
  rows.map(({ what, size, ours, reference, referenceIs }) => ({
    what,
    size,
    ours: ms(ours),
    reference: ms(reference),
    against: referenceIs,
    'ours ÷ reference': (ours / reference).toFixed(2),
  })),
);

// npm run bench: prints a table of ratios, each measured against its reference in the same process. Never passes or fails.
import { produce } from 'immer';
import { sql } from 'drizzle-orm';
import { HyperFormula } from 'hyperformula';
import { createCompany } from '@/acts/accounts/createCompany';
import { addItems } from '@/acts/library/add';
import { beforeCompany, closeConnection, inCompany } from '@/data/connection';
import { searchItems } from '@/data/librarySearch';
import { ensureDatabase, migrateDatabase } from '@/data/migrate';
import { setQuantity } from '@/core/editing';
import { computeFigures } from '@/core/price';
import { itemInputs } from '../../scripts/demo/library';
import { line, plainDocument } from '../support/documents';

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

async function search(items: number): Promise<Row> {
  const owner = await createCompany(
    {
      name: 'Bench',
      address: { street: '', city: '', region: '', postcode: '', country: 'US' },
      email: '',
      phone: '',
      taxNumber: '',
      currency: 'USD',
      timeZone: 'UTC',
    },
    { name: 'Bench', email: `bench-${Date.now()}@bench.example`, password: 'bench' },
    new Date(),
  );
  const rows = Array.from({ length: items }, (_, i) => {
    const base = itemInputs[i % itemInputs.length]!;
    return { ...base, code: `${base.code}-${i}`, name: `${base.name} no. ${i}` };
  });
  await addItems(owner, rows);
  // What the server does by itself a minute after many rows came in.
  await beforeCompany((tx) => tx.execute(sql`analyze item`));
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

const rows: Row[] = [await recompute(2000), await recompute(10000)];
if (process.env.DATABASE_URL) {
  await ensureDatabase(process.env.DATABASE_URL);
  await migrateDatabase(process.env.DATABASE_URL);
  rows.push(await search(50000));
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

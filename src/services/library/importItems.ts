import Type from 'typebox';
import type { CostMoves, FileRow, ImportPlan, KnownItem, Matching, Planned } from '@/core/importing';
import { costMoves, libraryFieldNames, planImport, proposeMatching, sourceOf } from '@/core/importing';
import { showSignedPercent, writeFixed } from '@/core/number';
import { itemUnitCost } from '@/core/price';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { searchText } from '@/data/library/search';
import { putMany } from '@/data/putMany';
import { item } from '@/data/schema';
import type { Table } from '@/formats/table/table';
import { TableError } from '@/formats/table/table';
import { readTableApart } from '@/formats/table/readTableApart';
import type { ItemInput } from '@/model';
import { isId, ItemInput as ItemSchema } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { check } from '../check';
import { companyOf } from '@/data/settings/company';
import { Problem } from '../problem';
import {
  deleteOldImports,
  insertLibraryImport,
  libraryImportById,
  lockImports,
  deleteLibraryImport,
  deleteOwnImport,
} from '@/data/library/libraryImport';
import { importMatchingBySource, putMatching } from '@/data/library/importMatching';
import { findAllItems } from '@/data/library/item';
import { findBundleCodes } from '@/data/library/bundle';
import { insertItemCost } from '@/data/library/itemCost';

/** @throws Problem `import-gone` */
const importGone = () => new Problem('import-gone', 'This file is not waiting any more. Choose it again.');

function checkImportId(id: unknown): string {
  if (!isId(id)) throw importGone();
  return id;
}

const MatchingInput = Type.Object(
  {
    matching: Type.Array(
      Type.Union([Type.Null(), Type.Unsafe<string>({ type: 'string', enum: [...libraryFieldNames] })]),
      { maxItems: 200 },
    ),
  },
  { additionalProperties: false },
);
/** How many of each kind a preview lists; the counts are of all. */
const LISTED = 200;
const AT_ONCE = 500;
/** A file nobody went on with is dropped after a day. */
const KEPT = 24 * 3600_000;

/** @throws Problem `table-unreadable` */
async function read(bytes: Uint8Array): Promise<Table> {
  try {
    return await readTableApart(bytes);
  } catch (error) {
    if (error instanceof TableError) throw new Problem('table-unreadable', error.message);
    throw error;
  }
}

/** Takes a file in to be looked at: its columns, some rows, and how its columns were or could be matched. */
export async function startImport(actor: Actor, fileName: string, bytes: Uint8Array) {
  allow(actor, 'library');
  const table = await read(bytes);
  const id = newId(actor.now);
  const source = sourceOf(table.headings);
  return inCompany(actor, async (tx) => {
    await deleteOldImports(tx, actor.now, KEPT);
    await insertLibraryImport(tx, {
      companyId: actor.companyId,
      id,
      userId: actor.userId,
      at: actor.now,
      fileName: fileName.slice(0, 200),
      bytes: Buffer.from(bytes),
      source,
    });
    const [known] = await importMatchingBySource(tx, source);
    return {
      id,
      fileName,
      headings: table.headings,
      samples: table.rows.slice(0, 5).map(({ cells }) => cells.slice(0, table.headings.length)),
      rows: table.rows.length,
      remarks: table.remarks,
      matching: (known?.matching as Matching | undefined) ?? proposeMatching(table.headings),
      remembered: known !== undefined,
    };
  });
}

export type StartedImport = Awaited<ReturnType<typeof startImport>>;

async function waiting(tx: Transaction, importId: string) {
  const [row] = await libraryImportById(tx, importId);
  if (!row) throw importGone();
  return row;
}

function wrongWith(value: ItemInput, bundleCodes: ReadonlySet<string>): string | null {
  if (bundleCodes.has(value.code)) return `The code ${value.code} names a bundle.`;
  try {
    check(ItemSchema, value, 'The item');
    return null;
  } catch (error) {
    if (error instanceof Problem) return error.message;
    throw error;
  }
}

/** The library for comparing, and the id of each item by its code. */
async function knownItems(tx: Transaction) {
  const known = new Map<string, KnownItem>();
  const ids = new Map<string, string>();
  for (const row of await findAllItems(tx)) {
    ids.set(row.code, row.id);
    known.set(row.code, {
      code: row.code,
      name: row.name,
      detail: row.detail,
      trade: row.trade,
      unit: row.unit,
      costs: row.costs,
      taxClass: row.taxClass,
      costCode: row.costCode,
      tags: row.tags,
      internalNote: row.internalNote,
      supplierNote: row.supplierNote,
      ...(row.waste === null ? {} : { waste: row.waste }),
      ...(row.pack === null ? {} : { pack: row.pack }),
      ...(row.minimumCharge === null ? {} : { minimumCharge: row.minimumCharge }),
      ...(row.breaks === null ? {} : { breaks: row.breaks }),
      ...(row.loads === null ? {} : { loads: row.loads }),
      retired: row.retiredAt !== null,
    });
  }
  return { known, ids };
}

/** @throws Problem `column-missing`, `column-twice` */
async function planned(tx: Transaction, actor: Actor, bytes: Uint8Array, matching: Matching) {
  if (!matching.includes('code'))
    throw new Problem('column-missing', 'Say which column is the code: items are told apart by it.');
  if (new Set(matching.filter(Boolean)).size < matching.filter(Boolean).length)
    throw new Problem('column-twice', 'Two columns are matched to the same thing.');
  const table = await read(bytes);
  const { usual } = await companyOf(tx, actor.companyId);
  const { known, ids } = await knownItems(tx);
  const bundleCodes = new Set((await findBundleCodes(tx)).map(({ code }) => code));
  const plan = planImport(table.rows as readonly FileRow[], matching, {
    known,
    taxClasses: usual.taxClasses.map(({ id }) => id),
    check: (value) => wrongWith(value, bundleCodes),
  });
  return { plan, known, ids };
}

const countsOf = ({ added, changed, left, refused }: ImportPlan) => ({
  added: added.length,
  changed: changed.length,
  left,
  refused: refused.length,
});

/** Costs that move before all else that changes, the furthest first, each with what it was and will be. */
function changedRows(plan: ImportPlan, { moves }: CostMoves) {
  const byCode = new Map(plan.changed.map((each) => [each.code, each]));
  const moved = new Map(moves.map((move) => [move.code, move]));
  const order = [
    ...moves.map(({ code }) => byCode.get(code)!),
    ...plan.changed.filter(({ code }) => !moved.has(code)),
  ];
  return order.slice(0, LISTED).map(({ row, code, item: { name }, changes }) => {
    const move = moved.get(code);
    return {
      ...{ row, code, name, changes },
      cost: move
        ? {
            before: writeFixed(move.before),
            after: writeFixed(move.after),
            percent: move.share === null ? null : showSignedPercent(move.share),
          }
        : null,
    };
  });
}

const listed = (plan: ImportPlan, moves: CostMoves) => ({
  counts: countsOf(plan),
  moves: {
    rise: moves.rise,
    fall: moves.fall,
    middle: moves.middle === null ? null : showSignedPercent(moves.middle),
  },
  added: plan.added.slice(0, LISTED).map(({ row, code, item: { name, unit, costs } }) => ({
    row,
    code,
    name,
    unit,
    unitCost: writeFixed(itemUnitCost(costs)),
  })),
  changed: changedRows(plan, moves),
  refused: plan.refused.slice(0, LISTED),
});

/** What an import would add, change, leave and refuse, row by row with the reason. Nothing is stored. */
export async function previewImport(actor: Actor, id: unknown, input: unknown) {
  allow(actor, 'library');
  const importId = checkImportId(id);
  const { matching } = check(MatchingInput, input, 'The matching');
  return inCompany(actor, async (tx) => {
    const row = await waiting(tx, importId);
    const { plan, known } = await planned(tx, actor, row.bytes, matching as Matching);
    return listed(plan, costMoves(plan.changed, known));
  });
}

export type ImportPreview = Awaited<ReturnType<typeof previewImport>>;

const stored = (actor: Actor, { item: value, retired }: Planned, id: string) => ({
  ...value,
  companyId: actor.companyId,
  id,
  waste: value.waste ?? null,
  pack: value.pack ?? null,
  minimumCharge: value.minimumCharge ?? null,
  breaks: value.breaks ?? null,
  loads: value.loads ?? null,
  supplierNote: value.supplierNote ?? '',
  searchText: searchText(value),
  retiredAt: retired ? actor.now : null,
  createdAt: actor.now,
});

/**
 * Applies an import, all of it or nothing: what is refused is left out, everything else is stored in one transaction.
 * @param options.progress told how many rows are stored; the transaction is open until the last
 * @param options.signal cancels it: nothing of it stays
 * @throws Problem `cancelled`
 */
export async function applyImport(
  actor: Actor,
  id: unknown,
  input: unknown,
  options: { readonly progress?: (done: number, of: number) => void; readonly signal?: AbortSignal } = {},
) {
  allow(actor, 'library');
  const importId = checkImportId(id);
  const { matching } = check(MatchingInput, input, 'The matching');
  const goOn = () => {
    if (options.signal?.aborted) throw new Problem('cancelled', 'Cancelled. Nothing was changed.');
  };
  return inCompany(actor, async (tx) => {
    // Two imports of one company go one after the other, so that each compares with what the other stored.
    await lockImports(tx, actor.companyId);
    const file = await waiting(tx, importId);
    const { counts, rows, known, ids } = await planned(tx, actor, file.bytes, matching as Matching).then(
      ({ plan, ...rest }) => ({ ...rest, counts: countsOf(plan), rows: [...plan.added, ...plan.changed] }),
    );
    goOn();
    const all = rows.length;
    // What is stored is let go: a list of tens of thousands is not held twice.
    while (rows.length > 0) {
      const part = rows.splice(0, AT_ONCE);
      await putMany(
        tx,
        item,
        part.map((each) => stored(actor, each, ids.get(each.code) ?? newId(actor.now))),
        { key: ['company_id', 'id'], kept: ['code', 'picture', 'created_at'] },
      );
      const moved = part.flatMap((each) => {
        const before = known.get(each.code)?.costs;
        return before && each.changes.some((change) => change.startsWith('cost: '))
          ? [{ itemId: ids.get(each.code)!, before, after: each.item.costs }]
          : [];
      });
      if (moved.length > 0)
        await insertItemCost(
          tx,
          moved.map(({ itemId, before, after }) => ({
            companyId: actor.companyId,
            id: newId(actor.now),
            itemId,
            at: actor.now,
            userId: actor.userId,
            why: `import of ${file.fileName}`.slice(0, 200),
            before: [...before],
            after: [...after],
            unitBefore: writeFixed(itemUnitCost(before)),
            unitAfter: writeFixed(itemUnitCost(after)),
          })),
        );
      options.progress?.(all - rows.length, all);
      // Let a cancellation in between two parts.
      await new Promise((resolve) => setImmediate(resolve));
      goOn();
    }
    await putMatching(tx, actor, file, matching);
    await deleteLibraryImport(tx, importId);
    await recordAudit(tx, actor, 'library import', importId, { file: file.fileName, ...counts });
    return counts;
  });
}

/** Drops a file that waits. */
export async function dropImport(actor: Actor, id: unknown): Promise<void> {
  allow(actor, 'library');
  const importId = checkImportId(id);
  await inCompany(actor, (tx) => deleteOwnImport(tx, importId, actor.userId));
}

/** The whole library with everything that is ours to know, by trade and code, for an export that imports back. */
export async function listForExport(actor: Actor): Promise<KnownItem[]> {
  allow(actor, 'export');
  allow(actor, 'cost');
  return inCompany(actor, async (tx) =>
    [...(await knownItems(tx)).known.values()].sort((a, b) =>
      a.trade === b.trade ? (a.code < b.code ? -1 : 1) : a.trade < b.trade ? -1 : 1,
    ),
  );
}

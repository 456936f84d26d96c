import { inCompany } from '@/data/connection';
import type { ReadRow } from '@/core/importing';
import { costColumns, readCosts } from '@/core/importing';
import { TableError } from '@/formats/table/table';
import { readTableApart } from '@/formats/table/readTableApart';
import type { Actor } from '../actor';
import { allow, newId } from '../actor';
import { loadAgreement } from '@/data/agreements/load';
import { Problem } from '../problem';
import { sha256 } from '../secrets';
import { insertCosts } from './record';
import { findKnownKeys } from '@/data/jobCosting/costEntry';

/** More than that is not one job. */
const MOST = 5000;
/** Rows that are wrong and told of. */
const TOLD = 20;

/**
 * Takes a list of costs of one agreement, CSV or XLSX: all of it or nothing. A row that was taken before from a list like it (the
 * same text, at its how-manieth time) is not counted twice.
 * @throws Problem `column-missing`, `rows-wrong`, `table-unreadable`, `too-many-rows`
 */
export async function importCosts(
  actor: Actor,
  agreementId: string,
  bytes: Uint8Array,
): Promise<{ taken: number; known: number }> {
  allow(actor, 'jobs');
  const table = await readTableApart(bytes).catch((error: unknown) => {
    if (error instanceof TableError) throw new Problem('table-unreadable', error.message);
    throw error;
  });
  if (table.rows.length > MOST)
    throw new Problem('too-many-rows', `A list of costs has at most ${MOST} rows.`);
  const headings = table.headings.map((heading) => heading.trim().toLowerCase());
  for (const needed of ['date', 'what', 'cost_type'])
    if (!headings.map((each) => each.replace(/\s+/g, '_')).includes(needed))
      throw new Problem(
        'column-missing',
        `The column “${needed}” is missing. Columns are ${costColumns.join(', ')}.`,
      );
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, agreementId, { lock: true });
    const read = readCosts(table.headings, table.rows, {
      stages: loaded.stages.map(({ name }) => name),
      minorDigits: loaded.digits,
    });
    const wrong = read.filter((row): row is Extract<ReadRow, { wrong: string }> => 'wrong' in row);
    if (wrong.length > 0)
      throw new Problem(
        'rows-wrong',
        `Nothing was taken: row ${wrong[0]!.row}: ${wrong[0]!.wrong}${wrong.length > 1 ? ` ${wrong.length - 1} more rows are wrong.` : ''}`,
        {
          errors: wrong.slice(0, TOLD).map(({ row, wrong: detail }) => ({ pointer: `/rows/${row}`, detail })),
        },
      );
    const times = new Map<string, number>();
    const costs = read.flatMap((row) => {
      if ('wrong' in row) return [];
      const text = JSON.stringify(row.cost);
      const time = (times.get(text) ?? 0) + 1;
      times.set(text, time);
      return [{ ...row.cost, key: `list-${sha256(`${agreementId} ${time} ${text}`)}` }];
    });
    const known = new Set(
      costs.length === 0
        ? []
        : (
            await findKnownKeys(
              tx,
              costs.map(({ key }) => key),
            )
          ).map(({ key }) => key),
    );
    const fresh = costs.filter(({ key }) => !known.has(key));
    if (fresh.length > 0)
      await insertCosts(
        tx,
        actor,
        loaded,
        fresh.map(({ key, ...cost }) => ({
          companyId: actor.companyId,
          id: newId(actor.now),
          agreementId,
          ...cost,
          idempotencyKey: key,
          recordedBy: actor.userId,
          recordedAt: actor.now,
        })),
      );
    return { taken: fresh.length, known: known.size };
  });
}

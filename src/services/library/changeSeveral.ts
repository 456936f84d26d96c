import canonicalize from 'canonicalize';
import type { LibraryEntry } from '@/core/importing';
import { fieldInWords, hasField, severalInWords } from '@/core/importing';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import {
  findLibraryChanges,
  insertLibraryChange,
  lockLibraryChange,
  markUndone,
} from '@/data/library/libraryChange';
import { companyOf } from '@/data/settings/company';
import type { CostPart, LibraryChangeEntry, SeveralChange, SeveralField, SeveralWhich } from '@/model';
import { SeveralInput } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { check, checkId } from '../check';
import { refuseUnknownFile } from '../files/keep';
import { readWholeList } from '../lists/deskList';
import { noSuch, Problem } from '../problem';
import { libraryList } from './libraryList';
import type { Changed, ItemRow } from './severalEntries';
import { changes, entriesOf, fieldOf, ofItem, put, seenOf } from './severalEntries';
import { isTaken } from '../taken';

/** How many entries one change reaches, and how many of them a preview lists. */
const [MOST, LISTED] = [2000, 100];

/** @throws Problem `too-many-rows` */
async function idsOf(actor: Actor, which: SeveralWhich): Promise<string[]> {
  if ('ids' in which) return [...new Set(which.ids)];
  const { rows } = await readWholeList(actor, libraryList, which.list);
  if (rows.length > MOST)
    throw new Problem(
      'too-many-rows',
      `At most ${MOST} entries at once; these are ${rows.length}. Narrow the list.`,
    );
  return rows.map(({ id }) => id);
}

/** The names of the tax classes items can have. */
async function classNames(tx: Transaction, actor: Actor): Promise<ReadonlyMap<string, string>> {
  const { usual } = await companyOf(tx, actor.companyId);
  return new Map(usual.taxClasses.map(({ id, name }) => [id, name]));
}

/** @throws Problem `unknown-tax-class` */
function refuseUnknownClass(names: ReadonlyMap<string, string>, change: SeveralChange): void {
  if (change.field === 'taxClass' && !names.has(change.set))
    throw new Problem('unknown-tax-class', 'That tax class is not among the company’s.');
}

/**
 * What one change would make of several entries of the library: each before and after. Nothing is stored.
 * @throws Problem `too-many-rows`, `unknown-tax-class`
 */
export async function previewSeveral(actor: Actor, input: unknown) {
  allow(actor, 'library');
  const { which, change } = check(SeveralInput, input, 'The change');
  const ids = await idsOf(actor, which);
  return inCompany(actor, async (tx) => {
    const names = await classNames(tx, actor);
    refuseUnknownClass(names, change);
    const className = (id: string) => names.get(id) ?? id;
    const rows = await entriesOf(tx, ids);
    const changed = changes(rows, change);
    // What cannot be stored so is told first.
    const told = [
      ...changed.filter(({ trouble }) => trouble !== null),
      ...changed.filter(({ trouble }) => trouble === null),
    ];
    return {
      of: rows.length,
      count: changed.length,
      /** Bundles without such a field. */
      without: rows.filter(({ entry }) => !hasField(entry, change.field)).length,
      troubles: changed.filter(({ trouble }) => trouble !== null).length,
      seen: seenOf(changed, change.field),
      entries: told.slice(0, LISTED).map(({ from, after, trouble }) => ({
        id: from.id,
        code: from.entry.code,
        name: from.entry.name,
        before: fieldInWords(from.entry, change.field, className),
        after: fieldInWords(after, change.field, className),
        trouble,
      })),
    };
  });
}

export type SeveralPreview = Awaited<ReturnType<typeof previewSeveral>>;

/**
 * What is stored, or a sentence where two would have one code.
 * @throws Problem `code-taken`
 */
const takenCode = async <T>(work: () => Promise<T>): Promise<T> => {
  try {
    return await work();
  } catch (error) {
    if (isTaken(error))
      throw new Problem('code-taken', 'Two entries would have the same code. Nothing is changed.');
    throw error;
  }
};

/** Stores changes that can be taken back together, and says so. */
async function store(
  tx: Transaction,
  actor: Actor,
  changed: readonly Changed[],
  field: SeveralField,
  says: string,
): Promise<string> {
  for (const { from, after } of changed) await put(tx, actor, from, after, says);
  const id = newId(actor.now);
  if (changed.length > 0)
    await insertLibraryChange(tx, {
      companyId: actor.companyId,
      id,
      at: actor.now,
      userId: actor.userId,
      says,
      field,
      entries: changed.map(({ from, after }) => ({
        kind: from.kind,
        id: from.id,
        before: fieldOf(from.entry, field),
        after: fieldOf(after, field),
      })),
    });
  return id;
}

/**
 * Puts other costs in place of those of some items, to be taken back together.
 * @returns the id of the change
 */
export const putCosts = (
  tx: Transaction,
  actor: Actor,
  moves: readonly { readonly row: ItemRow; readonly after: readonly CostPart[] }[],
  says: string,
): Promise<string> =>
  store(
    tx,
    actor,
    moves.map(({ row, after }) => {
      const from = ofItem(row);
      return { from, after: { ...from.entry, costs: [...after] } as LibraryEntry, trouble: null };
    }),
    'costs',
    says,
  );

/**
 * Makes one change of several entries of the library, all of it or nothing; it can be taken back once.
 * @throws Problem `changed-meanwhile` where the entries are not as they were looked at, `too-many-rows`, `unknown-tax-class`,
 * `rows-wrong` where one could not be stored so, `code-taken`
 */
export async function changeSeveral(actor: Actor, input: unknown): Promise<{ id: string; count: number }> {
  allow(actor, 'library');
  const { which, change, seen } = check(SeveralInput, input, 'The change');
  const ids = await idsOf(actor, which);
  return takenCode(() =>
    inCompany(actor, async (tx) => {
      const names = await classNames(tx, actor);
      refuseUnknownClass(names, change);
      const says = severalInWords(change, (id) => names.get(id) ?? id);
      const changed = changes(await entriesOf(tx, ids), change);
      if (seen !== undefined && seen !== seenOf(changed, change.field))
        throw new Problem(
          'changed-meanwhile',
          'The library is not as you looked at it any more. Look again.',
        );
      const wrong = changed.find(({ trouble }) => trouble !== null);
      if (wrong)
        throw new Problem(
          'rows-wrong',
          `${wrong.from.entry.code} cannot be so: ${wrong.trouble!} Nothing is changed.`,
        );
      const id = await store(tx, actor, changed, change.field, says);
      await recordAudit(tx, actor, 'library changed', id, { says, count: changed.length });
      return { id, count: changed.length };
    }),
  );
}

const same = (a: unknown, b: unknown): boolean => canonicalize(a) === canonicalize(b);

/** An entry with a field put back; null: it had none. */
function withField(entry: LibraryEntry, field: SeveralField, value: unknown): LibraryEntry {
  const { [field]: _, ...rest } = entry as LibraryEntry & Partial<Record<SeveralField, unknown>>;
  return (value === null ? rest : { ...rest, [field]: value }) as LibraryEntry;
}

/** Can what an entry had be put back? A picture must be there still. */
async function puttable(
  tx: Transaction,
  field: SeveralField,
  { before }: LibraryChangeEntry,
): Promise<boolean> {
  if (field !== 'picture' || typeof before !== 'string') return true;
  try {
    await refuseUnknownFile(tx, [before]);
    return true;
  } catch (error) {
    if (error instanceof Problem) return false;
    throw error;
  }
}

/**
 * Takes a change of several back, once: each entry that is as the change left it. What was changed since stays, and is counted.
 * @throws Problem `no-such-library-change`, `taken-back-already`, `code-taken`
 */
export async function undoSeveral(actor: Actor, given: unknown): Promise<{ count: number; left: number }> {
  allow(actor, 'library');
  const id = checkId(given, 'library change');
  return takenCode(() =>
    inCompany(actor, async (tx) => {
      const [known] = await lockLibraryChange(tx, id);
      if (!known) throw noSuch('library change');
      if (known.undoneAt !== null) throw new Problem('taken-back-already', 'This is taken back already.');
      const field = known.field as SeveralField;
      const rows = new Map(
        (
          await entriesOf(
            tx,
            known.entries.map((entry) => entry.id),
          )
        ).map((row) => [row.id, row]),
      );
      let count = 0;
      for (const entry of known.entries) {
        const row = rows.get(entry.id);
        if (!row || !same(fieldOf(row.entry, field), entry.after)) continue;
        if (!(await puttable(tx, field, entry))) continue;
        await put(tx, actor, row, withField(row.entry, field, entry.before), `taken back: ${known.says}`);
        count += 1;
      }
      await markUndone(tx, id, actor.now);
      await recordAudit(tx, actor, 'library change taken back', id, { says: known.says, count });
      return { count, left: known.entries.length - count };
    }),
  );
}

/** So many changes are told. */
const LATELY = 10;

/** The changes of several that were made last, and whether each is taken back. */
export async function severalLately(actor: Actor) {
  allow(actor, 'library');
  return inCompany(actor, async (tx) =>
    (await findLibraryChanges(tx, LATELY)).map(({ at, undoneAt, ...rest }) => ({
      ...rest,
      at: at.toISOString(),
      undone: undoneAt !== null,
    })),
  );
}

export type SeveralLately = Awaited<ReturnType<typeof severalLately>>;

import { tryBundle } from '@/core/bundle';
import { recipeProblems } from '@/core/offer';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { searchText } from '@/data/library/search';
import type { BundleMakeup, LibraryBundle } from '@/model';
import { BundleInLibrary } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { check, checkId } from '../check';
import { refuseUnknownFile } from '../files/keep';
import { noSuch, Problem } from '../problem';
import { makeupOf, namedIn } from './makeup';
import { bundleOf } from '@/data/library/rows';
import { isTaken } from '../taken';
import { makeupFor } from './withoutCost';
import {
  bundleById,
  findBundlesInUse,
  insertBundle,
  lockBundleById,
  updateBundle,
  findBundleNames,
} from '@/data/library/bundle';
import { deleteBundleUseByBundleId, insertBundleUse, findBundlesUsing } from '@/data/library/bundleUse';

/** A bundle with everything in it, as a proposal takes it and the editor tries it. */
export type BundleWithMakeup = LibraryBundle & { readonly makeup: BundleMakeup };

/** @throws Problem `no-such-bundle` */
async function load(tx: Transaction, id: string): Promise<LibraryBundle> {
  const [row] = await bundleById(tx, id);
  if (!row) throw noSuch('bundle');
  return bundleOf(row);
}

/**
 * One bundle with everything in it.
 * @throws Problem `no-such-bundle`
 */
export async function readBundle(actor: Actor, id: unknown): Promise<BundleWithMakeup> {
  allow(actor, 'propose', 'cost');
  const bundleId = checkId(id, 'bundle');
  return inCompany(actor, async (tx) => {
    const found = await load(tx, bundleId);
    return { ...found, makeup: makeupFor(await makeupOf(tx, found.recipe), actor) };
  });
}

/** All bundles that are not retired, by trade and code. */
export async function listBundles(actor: Actor): Promise<LibraryBundle[]> {
  allow(actor, 'propose', 'cost');
  return inCompany(actor, async (tx) => (await findBundlesInUse(tx)).map(bundleOf));
}

/**
 * Refuses a recipe that does not work: what is wrong in it, or does not compute with its defaults in a sample room.
 * @throws Problem `bundle-wrong`
 */
export function refuseBroken(input: BundleInLibrary, makeup: BundleMakeup): void {
  const wrong = recipeProblems(input.recipe, makeup.items);
  if (wrong.length > 0) throw new Problem('bundle-wrong', `This bundle does not work: ${wrong[0]}`);
  const { troubles } = tryBundle(makeup, { name: input.name, detail: input.detail });
  const [first] = troubles;
  if (first) throw new Problem('bundle-wrong', `This bundle does not work. ${first.place}: ${first.message}`);
}

async function keepUses(tx: Transaction, companyId: string, bundleId: string, input: BundleInLibrary) {
  const named = namedIn(input.recipe);
  await deleteBundleUseByBundleId(tx, bundleId);
  const rows = [
    ...[...named.items].map((itemId) => ({ companyId, bundleId, usedId: itemId, itemId })),
    ...[...named.bundles].map((innerId) => ({ companyId, bundleId, usedId: innerId, innerId })),
  ];
  if (rows.length > 0) await insertBundleUse(tx, rows);
}

/** Words of the parts, for the search. */
export const wordsOf = (makeup: BundleMakeup) => [
  ...Object.values(makeup.items).flatMap(({ description, code }) => [description, code ?? '']),
  ...Object.values(makeup.within).map(({ name }) => name),
];

/**
 * Puts a new bundle into the library, within what is being stored with it.
 * @throws Problem `bundle-wrong`, `unknown-item`, `unknown-bundle`
 */
export async function insertNewBundle(
  tx: Transaction,
  actor: Actor,
  wanted: BundleInLibrary,
): Promise<BundleWithMakeup> {
  const id = newId(actor.now);
  const makeup = await makeupOf(tx, wanted.recipe);
  refuseBroken(wanted, makeup);
  if (wanted.picture) await refuseUnknownFile(tx, [wanted.picture]);
  await insertBundle(tx, {
    ...wanted,
    companyId: actor.companyId,
    id,
    edition: 1,
    createdAt: actor.now,
    updatedAt: actor.now,
    searchText: searchText(wanted, wordsOf(makeup)),
  });
  await keepUses(tx, actor.companyId, id, wanted);
  await recordAudit(tx, actor, 'bundle added', id, { code: wanted.code });
  return { ...wanted, id, edition: 1, makeup };
}

/**
 * Puts a new bundle into the library.
 * @throws Problem `code-taken`
 */
export async function addBundle(actor: Actor, input: unknown): Promise<BundleWithMakeup> {
  allow(actor, 'library', 'propose');
  allow(actor, 'cost');
  const wanted = check(BundleInLibrary, input, 'The bundle');
  try {
    return await inCompany(actor, (tx) => insertNewBundle(tx, actor, wanted));
  } catch (error) {
    if (isTaken(error)) throw new Problem('code-taken', `The code ${wanted.code} is taken in the library.`);
    throw error;
  }
}

/**
 * Changes a bundle of the library: a separate, named act, never a side effect of work on a proposal. Copies in proposals
 * stay as they are until they are refreshed.
 * @param edition the edition that was edited; another one meanwhile is not overwritten
 * @throws Problem `changed-meanwhile`, `code-taken`, `no-such-bundle`
 */
export async function saveBundle(
  actor: Actor,
  id: unknown,
  edition: unknown,
  input: unknown,
): Promise<BundleWithMakeup> {
  allow(actor, 'library');
  const bundleId = checkId(id, 'bundle');
  const wanted = check(BundleInLibrary, input, 'The bundle');
  try {
    return await inCompany(actor, async (tx) => {
      const [row] = await lockBundleById(tx, bundleId);
      if (!row) throw noSuch('bundle');
      if (row.edition !== edition)
        throw new Problem(
          'changed-meanwhile',
          'Someone changed this bundle meanwhile. Yours is not saved; copy it aside and reload.',
        );
      const makeup = await makeupOf(tx, wanted.recipe, bundleId);
      refuseBroken(wanted, makeup);
      if (wanted.picture) await refuseUnknownFile(tx, [wanted.picture]);
      const next = row.edition + 1;
      await updateBundle(tx, bundleId, {
        ...wanted,
        edition: next,
        updatedAt: actor.now,
        searchText: searchText(wanted, wordsOf(makeup)),
      });
      await keepUses(tx, actor.companyId, bundleId, wanted);
      await recordAudit(tx, actor, 'bundle changed', bundleId, { edition: next });
      return { ...wanted, id: bundleId, edition: next, makeup };
    });
  } catch (error) {
    if (isTaken(error)) throw new Problem('code-taken', `The code ${wanted.code} is taken in the library.`);
    throw error;
  }
}

/**
 * The bundles an item or a bundle stands in, directly.
 * @throws Problem `no-such-library-entry`
 */
export async function bundlesWith(
  actor: Actor,
  id: unknown,
): Promise<{ id: string; code: string; name: string }[]> {
  allow(actor, 'propose', 'cost');
  const usedId = checkId(id, 'library entry');
  return inCompany(actor, async (tx) => {
    const uses = await findBundlesUsing(tx, usedId);
    if (uses.length === 0) return [];
    return findBundleNames(
      tx,
      uses.map((use) => use.id),
    );
  });
}

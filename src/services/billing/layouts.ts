import {
  clearUsualLayout,
  countLayouts,
  deleteLayoutById,
  findLayoutNamed,
  insertLayout,
  layoutById,
  updateLayout,
} from '@/data/billing/paperLayout';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { loadAgreement } from '@/data/agreements/load';
import type { InvoiceShows } from '@/model';
import { KeepLayoutInput, LayoutInput, UsualLayoutInput } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { check } from '../check';
import { Problem } from '../problem';

/** The most layouts for all agreements, and of one. */
const MOST_LAYOUTS = 50;

/** Rows are named by one agreement: for all, a layout says nothing of single ones. */
const forEveryone = ({ each: _, eachBundle: __, ...shows }: InvoiceShows): InvoiceShows => shows;

/** @throws Problem `no-such-layout` */
async function layoutOfOurs(tx: Transaction, id: string) {
  const [row] = await layoutById(tx, id);
  if (!row) throw new Problem('no-such-layout', 'There is no such layout any more.');
  return row;
}

/**
 * Keeps a layout under a name, over one that has it.
 * @throws Problem `too-many-layouts`
 */
export async function keepLayout(actor: Actor, input: unknown): Promise<{ id: string }> {
  allow(actor, 'issue');
  const { agreementId, name, forAll, usual, shows } = check(KeepLayoutInput, input, 'The layout');
  if (usual) allow(actor, 'money');
  return inCompany(actor, async (tx) => {
    await loadAgreement(tx, agreementId);
    const of = forAll ? null : agreementId;
    const known = await findLayoutNamed(tx, name.trim(), of);
    // What invoices begin with is the office’s to say.
    if (known?.usual) allow(actor, 'money');
    if (!known && (await countLayouts(tx, of)) >= MOST_LAYOUTS)
      throw new Problem('too-many-layouts', `There are ${MOST_LAYOUTS} layouts already: delete one first.`);
    const id = known?.id ?? newId(actor.now);
    if (forAll && usual) await clearUsualLayout(tx);
    const columns = {
      name: name.trim(),
      shows: forAll ? forEveryone(shows) : shows,
      usual: forAll && (usual || (known?.usual ?? false)),
    };
    if (known) await updateLayout(tx, id, columns);
    else await insertLayout(tx, { companyId: actor.companyId, id, agreementId: of, ...columns });
    await recordAudit(tx, actor, 'invoice layout kept', id, { name: columns.name, usual: columns.usual });
    return { id };
  });
}

/** Deletes a layout; invoices that were laid out by it keep their look. */
export async function deleteLayout(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'issue');
  const { id } = check(LayoutInput, input, 'The layout');
  await inCompany(actor, async (tx) => {
    const { name, usual } = await layoutOfOurs(tx, id);
    if (usual) allow(actor, 'money');
    await deleteLayoutById(tx, id);
    await recordAudit(tx, actor, 'invoice layout deleted', id, { name });
  });
}

/**
 * Says which layout invoices begin with; null: none, they begin plainly.
 * @throws Problem `layout-of-one-agreement`
 */
export async function setUsualLayout(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'money');
  const { id } = check(UsualLayoutInput, input, 'The layout');
  await inCompany(actor, async (tx) => {
    const row = id === null ? null : await layoutOfOurs(tx, id);
    if (row && row.agreementId !== null)
      throw new Problem('layout-of-one-agreement', `“${row.name}” names rows of one agreement.`);
    await clearUsualLayout(tx);
    if (row) await updateLayout(tx, row.id, { usual: true });
    await recordAudit(tx, actor, 'usual invoice layout set', actor.companyId, { name: row?.name ?? null });
  });
}

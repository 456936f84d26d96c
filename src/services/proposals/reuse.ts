import { itemsNow } from '@/data/library/itemsNow';
import Type from 'typebox';
import { asTemplate, copiedItems, costsAlike, refreshedCosts, withoutPlans } from '@/core/editing';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { PricedItem, ProposalDocument } from '@/model';
import { EntityId } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, daysAfter, newId, recordAudit } from '../actor';
import { check, checkId } from '../check';
import { refuseChange } from './changeOrder';
import { companyOf } from '@/data/settings/company';
import { noSuch, Problem } from '../problem';
import { atSite, insertProposal } from './start';
import { findDocumentAndSite } from '@/data/proposals/proposal';
import { findTemplateNamed, insertTemplate } from '@/data/library/template';

/** Those of them whose costs have moved since they were copied, by id. */
export async function movedItems(
  tx: Transaction,
  document: ProposalDocument,
): Promise<Record<string, PricedItem>> {
  const now = await itemsNow(tx, document);
  const moved: Record<string, PricedItem> = {};
  for (const copy of copiedItems(document)) {
    const fresh = copy.itemId === undefined ? undefined : now.get(copy.itemId);
    if (fresh && !costsAlike(copy, fresh)) moved[copy.itemId!] = fresh;
  }
  return moved;
}

/** @throws Problem `no-such-proposal` */
async function load(tx: Transaction, id: string) {
  const [row] = await findDocumentAndSite(tx, id);
  if (!row) throw noSuch('proposal');
  return row;
}

const TemplateInput = Type.Object(
  {
    proposalId: EntityId,
    name: Type.String({ minLength: 1, maxLength: 100, pattern: '\\S' }),
    about: Type.String({ maxLength: 200 }),
  },
  { additionalProperties: false },
);

/**
 * Keeps a proposal as a template, without what belongs to its customer.
 * @throws Problem `name-taken`
 */
export async function saveAsTemplate(actor: Actor, input: unknown): Promise<{ id: string }> {
  allow(actor, 'propose');
  const { proposalId, name, about } = check(TemplateInput, input, 'The template');
  const id = newId(actor.now);
  return inCompany(actor, async (tx) => {
    const [taken] = await findTemplateNamed(tx, name);
    if (taken) throw new Problem('name-taken', `There is a template called “${name.trim()}” already.`);
    const { document: whole } = await load(tx, proposalId);
    refuseChange(whole, 'kept as a template');
    const document = asTemplate(whole, name.trim());
    await insertTemplate(tx, { companyId: actor.companyId, id, name: name.trim(), about, document });
    await recordAudit(tx, actor, 'template kept', id, { proposalId });
    return { id };
  });
}

export const CopyInput = Type.Object(
  {
    proposalId: EntityId,
    customerId: EntityId,
    siteId: EntityId,
    title: Type.String({ minLength: 1, maxLength: 200, pattern: '\\S' }),
    costs: Type.Union([Type.Literal('kept'), Type.Literal('refreshed')]),
  },
  { additionalProperties: false },
);

/**
 * Copies a proposal for a customer and site: cover note, our note and validity do not go along; costs stay as they were
 * or are taken from the library as they are now. The plans of a house stay with its site.
 * @throws Problem `no-such-proposal`
 */
export async function copyProposal(actor: Actor, input: unknown): Promise<{ id: string; number: number }> {
  allow(actor, 'propose');
  const { proposalId, title, costs, ...place } = check(CopyInput, input, 'The copy');
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const from = await load(tx, checkId(proposalId, 'proposal'));
    refuseChange(from.document, 'copied');
    const {
      coverNote: _,
      internalNote: __,
      ...plain
    } = from.siteId === place.siteId ? from.document : withoutPlans(from.document);
    const document = costs === 'kept' ? plain : refreshedCosts(plain, await itemsNow(tx, plain)).document;
    const validUntil = daysAfter(businessDate(actor.now, ours.timeZone), ours.validityDays);
    const made = await insertProposal(
      tx,
      actor,
      place,
      await atSite(tx, place.siteId, { ...document, title: title.trim(), validUntil }),
    );
    await recordAudit(tx, actor, 'proposal copied', made.id, {
      number: made.number,
      from: proposalId,
      costs,
    });
    return made;
  });
}

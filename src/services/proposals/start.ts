import type { Measuring } from '@/model';
import { refuseWrong } from '../refuseWrong';
import type Type from 'typebox';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { setTaxTerms, takeTaxes, taxesOn } from '@/core/editing';
import { filesOf, suggestedTotal } from '@/core/offer';
import type { ProposalDocument, UsualTerms } from '@/model';
import { PlaceInput, ProposalDocument as DocumentSchema, StartInput } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, daysAfter, newId, recordAudit } from '../actor';
import { check } from '../check';
import { companyOf } from '@/data/settings/company';
import { areaOf } from '../library/areas';
import { nextNumber } from '../numbers';
import { refuseUnknownFile } from '../files/keep';
import { noSuch, Problem } from '../problem';
import { findSiteOfCustomer, findAddressAndExemption } from '@/data/customers/site';
import { insertProposalRow } from '@/data/proposals/proposal';
import { templateById } from '@/data/library/template';

/** A proposal of nothing: the company's usual terms, its taxes of the day, and one empty section. */
export function emptyDocument(
  title: string,
  currency: string,
  usual: UsualTerms,
  day: string,
  measuring: Measuring = 'us',
): ProposalDocument {
  return {
    format: 'impegno-proposal',
    formatVersion: 1,
    reckoning: 2,
    title,
    currency,
    ...usual,
    ...(measuring === 'us' ? {} : { measuring }),
    taxClasses: taxesOn(usual.taxClasses, day),
    sections: [{ id: 'work', title: 'Work', entries: [] }],
  };
}

type Place = Type.Static<typeof PlaceInput>;

/**
 * Stores a new proposal for a site of a customer.
 * @throws Problem `no-such-site`
 */
export async function insertProposal(
  tx: Transaction,
  actor: Actor,
  place: Place,
  document: ProposalDocument,
) {
  const [found] = await findSiteOfCustomer(tx, place);
  if (!found) throw new Problem('no-such-site', 'There is no such site of this customer.');
  const id = newId(actor.now);
  const number = await nextNumber(tx, actor.companyId, 'proposal');
  await insertProposalRow(tx, {
    companyId: actor.companyId,
    id,
    number,
    ...place,
    sellerId: actor.userId,
    title: document.title,
    state: 'draft',
    document,
    saveNumber: 0,
    total: suggestedTotal(document),
    createdAt: actor.now,
    updatedAt: actor.now,
  });
  return { id, number };
}

/** The document with the area factors of a site, where the company has some for it. */
export async function atSite(
  tx: Transaction,
  siteId: string,
  document: ProposalDocument,
): Promise<ProposalDocument> {
  const [place] = await findAddressAndExemption(tx, siteId);
  const area = place && (await areaOf(tx, place.address.postcode));
  const { area: _, tax, ...plain } = document;
  const terms = place ? taxFor(tax, place.exempt) : tax;
  return { ...plain, ...(area ? { area } : {}), ...(terms ? { tax: terms } : {}) };
}

/** Tax terms for a customer: exempt where they are, with their reason; not where they are not. */
function taxFor(tax: ProposalDocument['tax'], reason: string): ProposalDocument['tax'] {
  const { exempt: _, ...rest } = tax ?? {};
  const terms = reason === '' ? rest : { ...rest, exempt: { reason } };
  return Object.keys(terms).length > 0 ? terms : undefined;
}

/**
 * Starts a proposal for a site, from nothing or from a template. Prices hold for the company's usual days.
 * @throws Problem `no-such-template`
 */
export async function startProposal(actor: Actor, input: unknown): Promise<{ id: string; number: number }> {
  allow(actor, 'propose');
  const { customerId, siteId, title, templateId } = check(StartInput, input, 'The proposal');
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const today = businessDate(actor.now, ours.timeZone);
    let document = emptyDocument(title.trim(), ours.currency, ours.usual, today, ours.units);
    if (templateId) {
      const [found] = await templateById(tx, templateId);
      if (!found) throw noSuch('template');
      const { measuring: _, ...template } = structuredClone(found.document);
      document = {
        ...template,
        reckoning: 2,
        title: title.trim(),
        ...(ours.units === 'us' ? {} : { measuring: ours.units }),
      };
      // Taxes are those of today, not of the day the template was kept.
      takeTaxes(document, taxesOn(ours.usual.taxClasses, today));
      // How customers read prices is the company's to say, not a template's of once.
      setTaxTerms(document, { shown: ours.usual.tax?.shown ?? null });
    }
    const validUntil = daysAfter(today, ours.validityDays);
    const made = await insertProposal(
      tx,
      actor,
      { customerId, siteId },
      await atSite(tx, siteId, { ...document, validUntil }),
    );
    await recordAudit(tx, actor, 'proposal started', made.id, { number: made.number, templateId });
    return made;
  });
}

/**
 * Makes a new proposal of a document in the open format.
 * @throws Problem `change-order-cannot`, `other-currency`
 */
export async function importProposal(
  actor: Actor,
  where: unknown,
  input: unknown,
): Promise<{ id: string; number: number }> {
  allow(actor, 'propose');
  const place = check(PlaceInput, where, 'The place');
  const document = check(DocumentSchema, input, 'This document');
  refuseWrong(document);
  if (document.change)
    throw new Problem('change-order-cannot', 'This is a change order: it is written at its agreement.');
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    if (document.currency !== ours.currency)
      throw new Problem(
        'other-currency',
        `This document is in ${document.currency}; the company works in ${ours.currency}.`,
      );
    await refuseUnknownFile(tx, filesOf(document));
    const made = await insertProposal(tx, actor, place, document);
    await recordAudit(tx, actor, 'proposal imported', made.id, { number: made.number });
    return made;
  });
}

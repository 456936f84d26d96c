import type { JsonPatchStep } from '@/core/editing';
import { hasNewParts, itemsNewIn, pricedItem, removedBy, withCost, withoutCost } from '@/core/editing';
import type { Crossed } from '@/core/range';
import { pricesOf } from '@/core/price';
import { agreedForChange } from '@/data/agreements/contract';
import { loadAgreement } from '@/data/agreements/load';
import { findItemsByIds } from '@/data/library/item';
import { itemOf } from '@/data/library/rows';
import { findRemoved } from '@/data/proposals/proposalEdit';
import type { Transaction } from '@/data/connection';
import type { Bundle, Line, PricesGiven, ProposalDocument } from '@/model';
import { isId } from '@/model';
import type { Actor } from '../actor';
import { may } from '../actor';

/*
 * What somebody gets of a proposal who sees its prices and not what they are made of.
 */

/** A document as somebody may see it. */
export const documentFor = (document: ProposalDocument, actor: Actor): ProposalDocument =>
  may(actor, 'cost') ? document : withoutCost(document);

/** The unit prices of a document for who gets it without its costs; null for who prices it by them. */
export const pricesFor = (document: ProposalDocument, actor: Actor): PricesGiven | null =>
  may(actor, 'cost') ? null : pricesOf(document);

/** What others edited, as somebody may hear of it: where, and with cost also what. */
export const patchesFor = (patches: readonly JsonPatchStep[], actor: Actor): JsonPatchStep[] =>
  may(actor, 'cost')
    ? [...patches]
    : patches.map(({ op, path }) => (op === 'remove' ? { op, path } : { op, path, value: null }));

/** What a proposal was missed in meanwhile, as it is answered to an open page. */
export const missedFor = (
  row: { readonly saveNumber: number; readonly document: ProposalDocument },
  patches: readonly JsonPatchStep[],
  actor: Actor,
) => ({
  saveNumber: row.saveNumber,
  document: documentFor(row.document, actor),
  prices: pricesFor(row.document, actor),
  patches: patchesFor(patches, actor),
});

/** What of the limits is crossed, in words for somebody: who sees no cost is told no margin. */
export const crossedFor = (crossed: readonly Crossed[], actor: Actor): readonly Crossed[] =>
  may(actor, 'cost')
    ? crossed
    : crossed.map(({ kind, message }) => ({
        kind,
        message:
          kind === 'margin'
            ? 'It can leave less than the company asks for.'
            : kind === 'trade'
              ? 'One of the trades leaves less than the company asks for.'
              : message,
      }));

/**
 * An edit of somebody who sees no cost, put over the document with its costs: what is new in it is priced as the library
 * has it, what they took out before and bring back as it was.
 */
export async function withItsCosts(
  tx: Transaction,
  row: { readonly id: string; readonly agreementId: string | null },
  edited: ProposalDocument,
  before: ProposalDocument,
): Promise<{ readonly document: ProposalDocument; readonly removed: (Line | Bundle)[] | null }> {
  const wanted = itemsNewIn(edited, before).filter(isId);
  const rows = wanted.length === 0 ? [] : await findItemsByIds(tx, wanted);
  const newParts = hasNewParts(edited, before);
  const agreed =
    row.agreementId !== null ? await agreedForChange(tx, await loadAgreement(tx, row.agreementId)) : [];
  const removed = newParts
    ? (await findRemoved(tx, row.id)).flatMap(({ removed: out }) => out ?? []).reverse()
    : [];
  const document = withCost(edited, before, {
    library: new Map(rows.map((found) => [found.id, pricedItem(itemOf(found))])),
    removed,
    agreed,
  });
  const gone = removedBy(before, document);
  return { document, removed: gone.length > 0 ? gone : null };
}

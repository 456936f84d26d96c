import { refuseWrong } from '../refuseWrong';
import { inCompany } from '@/data/connection';
import { searchText } from '@/data/library/search';
import { item, labourRate, template } from '@/data/schema';
import type { LibraryItem, ProposalDocument } from '@/model';
import { ItemInput, ProposalDocument as DocumentSchema, RateInput } from '@/model';
import type { Actor } from '../actor';
import { allow, newId } from '../actor';
import { check } from '../check';
/** Adds items to the library, all or none. */
export async function addItems(actor: Actor, inputs: readonly unknown[]): Promise<LibraryItem[]> {
  allow(actor, 'library');
  const items = inputs.map((input) => ({ id: newId(actor.now), ...check(ItemInput, input, 'The item') }));
  await inCompany(actor, async (tx) => {
    for (let at = 0; at < items.length; at += 500)
      await tx.insert(item).values(
        items.slice(at, at + 500).map((row) => ({
          ...row,
          companyId: actor.companyId,
          searchText: searchText(row),
          createdAt: actor.now,
        })),
      );
  });
  return items.map(({ internalNote: _, supplierNote: __, ...row }) => row);
}

/** Adds labour rates; answers them with their ids. */
export async function addRates(actor: Actor, inputs: readonly unknown[]) {
  allow(actor, 'library');
  const rates = inputs.map((input) => ({
    companyId: actor.companyId,
    id: newId(actor.now),
    ...check(RateInput, input, 'The rate'),
  }));
  await inCompany(actor, (tx) => tx.insert(labourRate).values(rates));
  return rates;
}

/** Keeps a document as a template to start from. */
export async function addTemplate(
  actor: Actor,
  values: { readonly name: string; readonly about: string; readonly document: ProposalDocument },
): Promise<string> {
  allow(actor, 'library');
  const document = check(DocumentSchema, values.document, 'The template');
  refuseWrong(document);
  const id = newId(actor.now);
  await inCompany(actor, (tx) =>
    tx.insert(template).values({ companyId: actor.companyId, id, ...values, document }),
  );
  return id;
}

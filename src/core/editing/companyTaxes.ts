import type { CompanyTaxClass, ProposalDocument, TaxClass } from '@/model';

/*
 * Taxes as a company keeps them, by the day; a document has those of the day it was begun, until somebody takes others.
 */

/** The percentage that holds on a day: the last of those that began by then. */
function percentOn({ percent, later = [] }: CompanyTaxClass['components'][number], day: string): string {
  const begun = later.filter(({ from }) => from <= day).sort((a, b) => (a.from < b.from ? -1 : 1));
  return begun.at(-1)?.percent ?? percent;
}

/**
 * The taxes of a company as they are on a day, as a document takes them. Retired classes are there while anything may still
 * be of them, behind the first: lines begin with the first class and fees with the last.
 * @param day a business date
 */
export function taxesOn(classes: readonly CompanyTaxClass[], day: string): TaxClass[] {
  const plain = ({ id, name, components }: CompanyTaxClass): TaxClass => ({
    id,
    name,
    components: components.map(({ later, ...component }) => ({
      ...component,
      percent: percentOn({ ...component, ...(later ? { later } : {}) }, day),
    })),
  });
  const [first, ...others] = classes.filter(({ retired }) => !retired);
  return [...(first ? [first] : []), ...classes.filter(({ retired }) => retired), ...others].map(plain);
}

/** A percentage of a document that is another one by now. */
export interface TaxMove {
  readonly taxClass: string;
  readonly component: string;
  readonly name: string;
  readonly before: string;
  readonly after: string;
}

/**
 * Where the percentages of a document are not those of its company now. Only what it has is compared: a tax it does not have
 * was left out on purpose, or it is of another place.
 */
export function taxMoves(
  { taxClasses }: Pick<ProposalDocument, 'taxClasses'>,
  now: readonly TaxClass[],
): TaxMove[] {
  return taxClasses.flatMap(({ id, components }) => {
    const ours = now.find((each) => each.id === id);
    return components.flatMap((component): TaxMove[] => {
      const known = ours?.components.find((each) => each.id === component.id);
      return known && known.percent !== component.percent
        ? [
            {
              taxClass: id,
              component: component.id,
              name: component.name,
              before: component.percent,
              after: known.percent,
            },
          ]
        : [];
    });
  });
}

/** Takes the percentages of the company as they are now, wherever the document has the tax. */
export function takeTaxes(document: ProposalDocument, now: readonly TaxClass[]): void {
  for (const { taxClass, component, after } of taxMoves(document, now)) {
    const found = document.taxClasses
      .find(({ id }) => id === taxClass)!
      .components.find(({ id }) => id === component)!;
    found.percent = after;
  }
}

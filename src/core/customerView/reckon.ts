import { memoByIdentity } from '../collections/memoByIdentity';
import type { Choices, CustomerOffer, OfferPiece, OfferSection, OfferStepped, SumText } from '@/model';
import type { Answers } from '../choice/answers';
import { allHold, answersOf } from '../choice/answers';
import type { Amount } from '../number';
import { parseFixed, writeFixed } from '../number';
import { amountAt } from '../price/amountAt';
import type { ClassSum, ClassSums, Totals } from '../price/totals';
import { addSums, addTo, discounted, netOf, totalsOf } from '../price/totals';

/** What of a proposal hangs on the choices, for its customer. */
export interface Reckoned extends Pick<
  Totals,
  'discount' | 'discountShares' | 'fees' | 'taxes' | 'taxTotal' | 'total'
> {
  /** In the order of the sections. */
  readonly sections: readonly {
    readonly net: Amount;
    readonly discount: Amount;
    /** Net by tax class, after the section's discount. */
    readonly sums: ClassSums;
  }[];
}

/** Sums by class from their text, kept by its identity. */
export const readSums = memoByIdentity(
  (texts: readonly SumText[]): ClassSums =>
    new Map(
      texts.map(
        ([taxClass, above, below]) => [taxClass, { above: BigInt(above), below: BigInt(below) }] as const,
      ),
    ),
);

/**
 * A line whose quantity the customer sets, at that quantity.
 * @param minorDigits decimals of the currency
 */
export function steppedAt(stepped: OfferStepped, choices: Choices, id: string, minorDigits: number) {
  const quantity = parseFixed(choices.extras[id]?.quantity ?? stepped.offered);
  const unitPrice = parseFixed(stepped.unitPrices[writeFixed(quantity)] ?? stepped.unitPrices['*'] ?? '0');
  const { minimumCharge, discount, keepsMinimum } = stepped;
  const terms = { ...(minimumCharge ? { minimumCharge } : {}), ...(discount ? { discount } : {}) };
  return { quantity, unitPrice, ...amountAt(terms, quantity, unitPrice, { minorDigits, keepsMinimum }) };
}

function sumsOf(piece: OfferPiece, choices: Choices, answers: Answers, minorDigits: number): ClassSums {
  if (!allHold(piece.when, answers)) return new Map();
  if (piece.stepped) {
    const sums = new Map<string, ClassSum>();
    addTo(sums, piece.stepped.taxClass, steppedAt(piece.stepped, choices, piece.id, minorDigits).net);
    return sums;
  }
  const variant = piece.variants.find(({ when }) => allHold(when, answers));
  return variant ? readSums(variant.sums) : new Map();
}

/** Everything of a section that can be in, in its order. */
export const piecesOf = (section: OfferSection): OfferPiece[] =>
  section.entries.flatMap((entry) =>
    entry.kind === 'piece' ? [entry] : entry.alternatives.flatMap((alternative) => alternative.pieces),
  );

interface Deciders {
  readonly extras: readonly string[];
  readonly questions: readonly string[];
  readonly tiers: readonly string[];
}

/** What of the choices a section hangs on. */
function decidersOf(section: OfferSection): Deciders {
  const extras = new Set<string>();
  const questions = new Set<string>();
  const tiers = new Set<string>();
  const pieces = piecesOf(section);
  const tests = [
    section.when,
    ...pieces.flatMap(({ when, variants }) => [when, ...variants.map((each) => each.when)]),
  ];
  for (const test of tests.flat())
    if ('extra' in test) extras.add(test.extra);
    else if ('question' in test) questions.add(test.question);
    else tiers.add(test.tiers);
  for (const { id, stepped } of pieces) if (stepped) extras.add(id);
  return { extras: [...extras], questions: [...questions], tiers: [...tiers] };
}

interface SectionSums {
  readonly discount: Amount;
  readonly sums: ClassSums;
}
interface Kept {
  readonly deciders: Deciders;
  readonly byKey: Map<string, SectionSums>;
}
const keptOf = memoByIdentity((section: OfferSection): Kept => ({
  deciders: decidersOf(section),
  byKey: new Map(),
}));
const KEPT_CHOICES = 256;

/** What a section comes to; computed once for choices it does not tell apart. A tap changes one section, mostly. */
function sectionSums(
  section: OfferSection,
  choices: Choices,
  answers: Answers,
  compute: () => SectionSums,
): SectionSums {
  const memory = keptOf(section);
  const { extras, questions, tiers } = memory.deciders;
  const key = [
    ...extras.map((id) => `${answers.extra(id) ? 1 : 0}${choices.extras[id]?.quantity ?? ''}`),
    ...questions.map((id) => answers.question(id) ?? ''),
    ...tiers.map((id) => answers.tiers(id) ?? ''),
  ].join('|');
  let found = memory.byKey.get(key);
  if (!found) {
    if (memory.byKey.size >= KEPT_CHOICES) memory.byKey.clear();
    memory.byKey.set(key, (found = compute()));
  }
  return found;
}

/**
 * The figures of an offer under choices, from the offer alone. They are those of the whole computation, to the cent.
 * @throws RangeError for an offer that cannot be worked out by itself (`live` is false)
 */
export function reckonOffer(offer: CustomerOffer, choices: Choices): Reckoned {
  if (!offer.live) throw new RangeError('The figures of this offer hang on more than it holds.');
  const answers = answersOf(offer.menu, choices);
  const terms = {
    taxClasses: offer.taxClasses,
    fees: offer.fees,
    tax: offer.tax ?? undefined,
    discount: offer.discount ?? undefined,
  };
  const sections = offer.sections.map((section) =>
    sectionSums(section, choices, answers, () => {
      if (!allHold(section.when, answers))
        return { discount: 0n as Amount, sums: new Map<string, ClassSum>() };
      const sums = addSums([
        readSums(section.fixed),
        ...piecesOf(section).map((piece) => sumsOf(piece, choices, answers, offer.minorDigits)),
      ]);
      return discounted(sums, section.discount ?? undefined, terms, offer.minorDigits);
    }),
  );
  const totals = totalsOf(
    terms,
    offer.minorDigits,
    [readSums(offer.fixed), ...sections.map(({ sums }) => sums)],
    () => [],
  );
  const { discount, discountShares, fees, taxes, taxTotal, total } = totals;
  return {
    sections: sections.map(({ sums, discount: off }) => ({ net: netOf(sums), discount: off, sums })),
    discount,
    discountShares,
    fees,
    taxes,
    taxTotal,
    total,
  };
}

import type { Measuring } from '@/model';
import { measuringOf } from '../space';
import { memoByIdentity } from '../collections/memoByIdentity';
import type {
  CustomerOffer,
  CustomerPlan,
  OfferPart,
  OfferPiece,
  OfferQuestion,
  OfferSection,
  OfferShown,
  OfferStepped,
  OfferVariant,
  Plan,
  ProposalDocument,
  Section,
  SumText,
} from '@/model';
import { allowanceInWords } from '../allowance';
import { putsTaxIn } from '../customerView';
import type { Piece, Variant } from '../choice';
import { menuOf, offeredQuantity, piecesOf, withinLevels } from '../choice';
import { minorDigits, parseFixed, writeAmount, writeFixed, writeFixedPlaces } from '../number';
import { tracedInWords } from '../plan';
import type { ClassSum, ClassSums, LineFigures } from '../price';
import { addSums, addTo, keepsMinimum, setAside } from '../price';
import { levelsSideBySide } from './levelsSideBySide';

/** Beyond so many quantities, a line whose unit price hangs on its quantity is left to the server. */
const MOST_STEPS = 2000;

interface Context {
  readonly document: ProposalDocument;
  readonly digits: number;
  readonly lines: boolean;
  readonly prices: boolean;
  /** What of each bears tax is needed too. */
  readonly taxIn: boolean;
}

/** What of some lines bears tax, where that is needed. */
const bearing = ({ taxIn }: Context, lines: readonly LineFigures[]): Pick<OfferShown, 'bearing'> =>
  taxIn ? { bearing: written(sumsOf(lines)) } : {};

function partShown(context: Context, figures: LineFigures): OfferPart {
  const { digits, lines, prices } = context;
  const { line } = figures;
  const money = (value: LineFigures['net']) => writeAmount(value, digits);
  return {
    id: line.id,
    description: line.description,
    unit: line.unit,
    quantity: lines ? writeFixed(figures.quantity) : null,
    unitPrice:
      prices && !figures.minimumApplied ? writeFixedPlaces(figures.unitPrice, line.pricePlaces ?? 2) : null,
    amount: lines ? money(figures.net) : null,
    discount: prices && figures.discount !== 0n ? money(figures.discount) : null,
    minimum: lines && figures.minimumApplied,
    ...bearing(context, [figures]),
  };
}

/** What may be spent of an allowance, and the fee beside it; they make its amount. */
function feeApart(context: Context, figures: LineFigures): OfferPart[] {
  const spend = setAside(figures);
  const fee = figures.net - spend;
  if (fee === 0n && !context.taxIn) return [];
  const part = (id: string, description: string, amount: bigint): OfferPart => ({
    id: `${figures.line.id}.${id}`,
    description,
    unit: 'job',
    quantity: null,
    unitPrice: null,
    amount: context.lines ? writeAmount(amount as LineFigures['net'], context.digits) : null,
    discount: null,
    minimum: false,
  });
  const { tax } = context.document;
  const withTax = context.taxIn || (tax?.inside && !tax.exempt);
  const rest = part('fee', withTax ? (fee === 0n ? 'The tax' : 'Our fee, and the tax') : 'Our fee', fee);
  // The tax on the whole stands with the fee: what may be spent is what it is.
  const borne = [[figures.line.taxClass, String(fee), '0']] as const;
  return [part('spend', 'For you to spend', spend), context.taxIn ? { ...rest, bearing: borne } : rest];
}

/** A bundle reads as one line with one amount, or with its parts below. Its own discount is inside its amounts. */
function shownOf(context: Context, { lines, bundle }: Variant): OfferShown {
  if (!bundle) {
    const [only] = lines;
    const { id: _, ...shown } = partShown(context, only!);
    const { detail, allowance, picture } = only!.line;
    return {
      ...shown,
      detail: detail ?? null,
      ...(picture === undefined ? {} : { picture }),
      allowance: allowance ? allowanceInWords(allowance, setAside(only!), context.digits) : null,
      parts: allowance?.shows === 'spend' ? feeApart(context, only!) : [],
    };
  }
  const money = (value: bigint) => writeAmount(value as LineFigures['net'], context.digits);
  const net = lines.reduce((sum, line) => sum + line.net, 0n);
  const discount = lines.reduce((sum, line) => sum + line.discount, 0n);
  return {
    description: bundle.sized.name,
    detail: bundle.sized.detail === '' ? null : bundle.sized.detail,
    allowance: null,
    unit: 'job',
    quantity: null,
    unitPrice: null,
    amount: context.lines ? money(net) : null,
    discount: context.prices && discount !== 0n ? money(discount) : null,
    minimum: false,
    ...bearing(context, lines),
    parts:
      bundle.bundle.shows === 'parts'
        ? lines.filter(({ quantity }) => quantity !== 0n).map((line) => partShown(context, line))
        : [],
  };
}

function sumsOf(lines: readonly LineFigures[]): ClassSums {
  const sums = new Map<string, ClassSum>();
  for (const { line, net } of lines) addTo(sums, line.taxClass, net);
  return sums;
}

const written = (sums: ClassSums): SumText[] =>
  [...sums].map(([taxClass, { above, below }]) => [taxClass, String(above), String(below)]);

/** The unit price of a line at every quantity the customer may set; null when there are too many. */
function steppedOf({ entry, at, variants }: Piece, keeps: boolean): OfferStepped | null | 'too many' {
  if (!at || entry.kind !== 'line') return null;
  const offered = variants[0]!.lines[0]!;
  const limits = entry.extra!.quantity!;
  const hangs =
    (entry.waste ?? entry.pack ?? entry.breaks) !== undefined &&
    (entry.heldPrice ?? entry.shapedPrice) === undefined;
  const unitPrices: Record<string, string> = { '*': writeFixed(offered.unitPrice) };
  if (hangs) {
    const [least, most, step] = [limits.minimum, limits.maximum, limits.step].map(parseFixed);
    if (step! <= 0n || (most! - least!) / step! >= BigInt(MOST_STEPS)) return 'too many';
    for (let quantity = least!; quantity <= most!; quantity = (quantity + step!) as typeof quantity) {
      const text = writeFixed(quantity);
      unitPrices[text] = writeFixed(at(text).unitPrice);
    }
  }
  return {
    taxClass: entry.taxClass,
    offered: offeredQuantity(offered),
    unitPrices,
    places: entry.pricePlaces ?? 2,
    discount: entry.discount ?? null,
    minimumCharge:
      (entry.heldPrice ?? entry.shapedPrice) === undefined ? (entry.minimumCharge ?? null) : null,
    keepsMinimum: keeps,
  };
}

interface Built {
  readonly piece: OfferPiece;
  /** What of it is always in, as far as its section is. */
  readonly fixed: ClassSums | null;
  readonly live: boolean;
}

function built(context: Context, piece: Piece): Built {
  const stepped = steppedOf(piece, keepsMinimum(context.document));
  const extra = piece.entry.extra !== undefined;
  // Its section's own tests are the section's business.
  const always =
    !extra &&
    piece.variants.length === 1 &&
    piece.inside === null &&
    withinLevels(context.document, piece.entry.id).length === 0;
  return {
    piece: {
      kind: 'piece',
      id: piece.entry.id,
      extra,
      when: piece.when,
      variants: piece.variants.map((variant): OfferVariant => ({
        when: variant.when,
        shown: shownOf(context, variant),
        sums: always ? [] : written(sumsOf(variant.lines)),
      })),
      stepped: stepped === 'too many' ? null : stepped,
    },
    fixed: always ? sumsOf(piece.variants[0]!.lines) : null,
    live: stepped !== 'too many',
  };
}

/** A plan with its labels and quantities; how formulas call them is ours. */
const planShown = (plan: Plan, measuring: Measuring): CustomerPlan => ({
  id: plan.id,
  name: plan.name,
  file: plan.file,
  width: plan.width,
  height: plan.height,
  marks: plan.traced.map((traced) => ({
    id: traced.id,
    label: traced.label,
    kind: traced.kind,
    figures: traced.figures,
    quantity: tracedInWords(traced, plan, measuring),
  })),
});

function readOffer(document: ProposalDocument): CustomerOffer {
  const { shows } = document;
  const context: Context = {
    document,
    digits: minorDigits(document.currency),
    lines: shows === 'lines' || shows === 'prices',
    prices: shows === 'prices',
    taxIn: putsTaxIn(document),
  };
  const byEntry = new Map<Piece['entry'], Built>();
  const fixedOf = new Map<Section, ClassSums[]>(document.sections.map((section) => [section, []]));
  let live = document.tax?.rounding !== 'line';
  for (const piece of piecesOf(document)) {
    const made = built(context, piece);
    byEntry.set(piece.entry, made);
    if (made.fixed) fixedOf.get(piece.section)!.push(made.fixed);
    if (!made.live) live = false;
  }
  const oneprice = shows === 'total';
  const whole: ClassSums[] = [];

  const sections = document.sections.map((section): OfferSection => {
    const fixed = addSums(fixedOf.get(section)!);
    const when = [...(section.extra ? [{ extra: section.id }] : []), ...withinLevels(document, section.id)];
    const merged = oneprice && when.length === 0 && !section.discount;
    if (merged) whole.push(fixed);
    // With one price for all, the sum of a section is nobody's business.
    if (oneprice && section.discount) live = false;
    return {
      id: section.id,
      title: section.title,
      text: section.text ?? null,
      discount: section.discount ?? null,
      extra: section.extra !== undefined,
      when,
      fixed: merged ? [] : written(fixed),
      entries: entriesOf(document, section, byEntry, when),
    };
  });

  return {
    title: document.title,
    currency: document.currency,
    minorDigits: context.digits,
    shows,
    coverNote: document.coverNote ?? null,
    terms: document.terms ?? null,
    validUntil: document.validUntil ?? null,
    menu: menuOf(document),
    fixed: written(addSums(whole)),
    sections,
    tiers: (document.tiers ?? []).map((tiers) => levelsSideBySide(document, tiers)),
    plans: (document.plans ?? [])
      .filter(({ shown }) => shown)
      .map((plan) => planShown(plan, measuringOf(document))),
    discount: document.discount ?? null,
    fees: document.fees.map((fee) => (oneprice ? { ...fee, name: 'Fee' } : fee)),
    taxClasses: document.taxClasses,
    tax: document.tax ?? null,
    schedule: document.schedule,
    stages: document.stages ?? [],
    billing: document.change ? {} : (document.billing ?? {}),
    change: document.change ?? null,
    live,
  };
}

function entriesOf(
  document: ProposalDocument,
  section: Section,
  byEntry: ReadonlyMap<Piece['entry'], Built>,
  when: OfferSection['when'],
): OfferSection['entries'] {
  return section.entries.map((entry): OfferPiece | OfferQuestion => {
    if (entry.kind !== 'question') return byEntry.get(entry)!.piece;
    return {
      kind: 'question',
      id: entry.id,
      detail: entry.detail ?? null,
      when: [...when, ...withinLevels(document, entry.id)],
      recommended: entry.recommended?.alternative ?? null,
      reason: entry.recommended?.reason ?? null,
      alternatives: entry.alternatives.map((alternative) => ({
        id: alternative.id,
        detail: alternative.detail ?? null,
        picture: alternative.picture ?? null,
        pieces: alternative.lines.map((line) => byEntry.get(line)!.piece),
      })),
    };
  });
}

/**
 * The one function that builds what a customer's browser may hold: as much of the document as it says may be shown, and
 * never a cost, a margin, a code or a note of ours. Kept by the document's identity.
 */
export const offerOf = memoByIdentity(readOffer);

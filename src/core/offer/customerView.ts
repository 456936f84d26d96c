import type {
  Choices,
  CustomerAlternative,
  CustomerEntry,
  CustomerExtra,
  CustomerLine,
  CustomerPart,
  CustomerPlan,
  CustomerView,
  Line,
  Plan,
  ProposalDocument,
  Question,
} from '@/model';
import type { Differences } from '../choice';
import { decidedAlternative, differences, isIn } from '../choice';
import type { Amount, Fixed } from '../number';
import { ONE, sumAmounts, writeAmount, writeFixed, writeFixedPlaces } from '../number';
import { tracedInWords } from '../plan';
import type { BundleFigures, Figures, SectionLine } from '../price';
import { computeFigures } from '../price';
import { computeSchedule } from '../schedule';

interface Context {
  readonly document: ProposalDocument;
  readonly choices: Choices;
  readonly figures: Figures;
  readonly lines: ReadonlyMap<string, SectionLine>;
  readonly differences: Differences;
}

const money = (context: Context, value: Amount) => writeAmount(value, context.figures.minorDigits);
const orNull = (context: Context, value: Amount) => (value === 0n ? null : money(context, value));
const showsLines = ({ document }: Context) => document.shows === 'lines' || document.shows === 'prices';

/** Everything of a line or extra but what kind it is. */
type Shown = Omit<CustomerLine, 'kind'>;

function partShown(context: Context, figures: SectionLine): CustomerPart {
  const { line } = figures;
  const prices = context.document.shows === 'prices';
  return {
    id: line.id,
    description: line.description,
    unit: line.unit,
    quantity: showsLines(context) ? writeFixed(figures.quantity) : null,
    unitPrice:
      prices && !figures.minimumApplied ? writeFixedPlaces(figures.unitPrice, line.pricePlaces ?? 2) : null,
    amount: showsLines(context) && figures.included ? money(context, figures.net) : null,
    discount: prices && figures.included ? orNull(context, figures.discount) : null,
    minimum: showsLines(context) && figures.minimumApplied,
  };
}

function lineShown(context: Context, line: Line): Shown {
  return {
    ...partShown(context, context.lines.get(line.id)!),
    detail: line.detail ?? null,
    parts: [],
  };
}

/** A bundle reads as one line with one amount, or with its parts below. Its own discount is inside its amounts. */
function bundleShown(context: Context, bundle: BundleFigures): Shown {
  return {
    id: bundle.bundle.id,
    description: bundle.sized.name,
    detail: bundle.sized.detail === '' ? null : bundle.sized.detail,
    unit: 'job',
    quantity: null,
    unitPrice: null,
    amount: showsLines(context) && bundle.included ? money(context, bundle.net) : null,
    discount:
      context.document.shows === 'prices' && bundle.included ? orNull(context, bundle.discount) : null,
    minimum: false,
    parts:
      bundle.bundle.shows === 'parts'
        ? bundle.lines.filter(({ quantity }) => quantity !== 0n).map((line) => partShown(context, line))
        : [],
  };
}

function extraEntry(
  context: Context,
  entry: Pick<Line, 'id' | 'extra'>,
  shown: Shown,
  quantity: Fixed,
): CustomerExtra {
  const difference = context.differences.extras.find((extra) => extra.lineId === entry.id);
  const limits = entry.extra?.quantity;
  return {
    ...shown,
    kind: 'extra',
    in: isIn(entry, context.choices),
    chosenQuantity: writeFixed(quantity),
    limits: limits ? { minimum: limits.minimum, maximum: limits.maximum, step: limits.step } : null,
    difference: money(context, difference?.difference ?? (0n as Amount)),
  };
}

function lineEntry(context: Context, line: Line): CustomerEntry {
  const shown = lineShown(context, line);
  return line.extra
    ? extraEntry(context, line, shown, context.lines.get(line.id)!.quantity)
    : { kind: 'line', ...shown };
}

function bundleEntry(context: Context, figures: BundleFigures): CustomerEntry {
  const shown = bundleShown(context, figures);
  return figures.bundle.extra ? extraEntry(context, figures.bundle, shown, ONE) : { kind: 'line', ...shown };
}

function questionEntry(context: Context, question: Question): CustomerEntry {
  const picked = decidedAlternative(question, context.choices);
  return {
    kind: 'question',
    id: question.id,
    prompt: question.prompt,
    detail: question.detail ?? null,
    alternatives: question.alternatives.map((alternative): CustomerAlternative => {
      const found = context.differences.alternatives.find(
        ({ questionId, alternativeId }) => questionId === question.id && alternativeId === alternative.id,
      );
      const isPicked = alternative.id === picked;
      const lines = alternative.lines
        .map((line) => context.lines.get(line.id)!)
        .filter((line) => line.included);
      return {
        id: alternative.id,
        name: alternative.name,
        detail: alternative.detail ?? null,
        picked: isPicked,
        suggested: alternative.id === question.suggested,
        difference: money(context, found?.difference ?? (0n as Amount)),
        amount:
          isPicked && showsLines(context) ? money(context, sumAmounts(lines.map((line) => line.net))) : null,
      };
    }),
  };
}

/** A plan with its labels and quantities; how formulas call them is ours. */
const planShown = (plan: Plan): CustomerPlan => ({
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
    quantity: tracedInWords(traced, plan),
  })),
});

/**
 * The one function that builds what a customer may see: the document under their choices, as much of it as the document
 * says may be shown, and never a cost, a margin or a note of ours. Shown amounts add up to the total.
 */
export function customerView(document: ProposalDocument, choices: Choices): CustomerView {
  const figures = computeFigures(document, choices);
  const lines = new Map<string, SectionLine>();
  for (const section of figures.sections) for (const line of section.lines) lines.set(line.line.id, line);
  const context: Context = { document, choices, figures, lines, differences: differences(document, choices) };
  const { payments } = computeSchedule(document.schedule, figures.total, figures.minorDigits);
  const deposits = payments.filter(({ entry }) => entry.kind === 'deposit' && entry.due.on === 'acceptance');
  const oneprice = document.shows === 'total';

  return {
    title: document.title,
    currency: document.currency,
    shows: document.shows,
    coverNote: document.coverNote ?? null,
    terms: document.terms ?? null,
    validUntil: document.validUntil ?? null,
    sections: figures.sections.map(({ section, net, discount, bundles }) => ({
      id: section.id,
      title: section.title,
      text: section.text ?? null,
      amount: oneprice ? null : money(context, net),
      discount: showsLines(context) ? orNull(context, discount) : null,
      entries: section.entries.flatMap((entry): CustomerEntry[] => {
        if (entry.kind === 'question') {
          const picked = entry.alternatives.find(({ id }) => id === decidedAlternative(entry, choices));
          const inner = picked?.lines.filter((line) => line.extra) ?? [];
          return [questionEntry(context, entry), ...inner.map((line) => lineEntry(context, line))];
        }
        return [
          entry.kind === 'bundle' ? bundleEntry(context, bundles.get(entry.id)!) : lineEntry(context, entry),
        ];
      }),
    })),
    plans: (document.plans ?? []).filter(({ shown }) => shown).map(planShown),
    discount: oneprice ? null : orNull(context, figures.discount),
    fees: oneprice
      ? []
      : figures.fees.map(({ fee, amount }) => ({
          id: fee.id,
          name: fee.name,
          amount: money(context, amount),
        })),
    taxes: figures.taxes
      .filter(({ amount }) => amount !== 0n)
      .map((tax) => ({
        id: `${tax.taxClass}.${tax.component}`,
        name: tax.name,
        percent: tax.percent,
        amount: money(context, tax.amount),
      })),
    taxTotal: money(context, figures.taxTotal),
    total: money(context, figures.total),
    payments: payments.map(({ entry, amount }) => ({
      id: entry.id,
      name: entry.name,
      kind: entry.kind,
      amount: money(context, amount),
      due: entry.due,
    })),
    deposit: deposits.length === 0 ? null : money(context, sumAmounts(deposits.map(({ amount }) => amount))),
  };
}

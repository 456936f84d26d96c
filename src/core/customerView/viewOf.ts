import type {
  Choices,
  CustomerAlternative,
  CustomerBasis,
  CustomerEntry,
  CustomerExtra,
  CustomerOffer,
  CustomerQuestion,
  CustomerSection,
  CustomerLevels,
  CustomerView,
  OfferPiece,
  OfferQuestion,
  OfferSection,
  OfferShown,
  Picked,
  ScheduleEntry,
  Way,
} from '@/model';
import type { Answers } from '../choice/answers';
import { allHold, answersOf, holds, indexOf } from '../choice/answers';
import { NONE } from '../price/decided';
import type { Differences } from '../choice/differencesBy';
import { differencesBy, withAlternative, withExtra, withLevel } from '../choice/differencesBy';
import { hindrance, tooLate } from '../choice/rules';
import { wayTo } from '../choice/ways';
import type { Amount } from '../number';
import {
  parseAmount,
  subtractAmounts,
  sumAmounts,
  writeAmount,
  writeFixed,
  writeFixedPlaces,
} from '../number';
import { computeSchedule } from '../schedule';
import type { Reckoned } from './reckon';
import { steppedAt } from './reckon';
import type { ShownWithTax } from './shownWithTax';
import { shownWithTax } from './shownWithTax';
import { basisOf, putsTaxIn } from './taxIn';

/** Under which choices a proposal is looked at, and how its figures are come by. */
export interface Look {
  readonly choices: Choices;
  /** The figures under any choices: from the offer alone, or by the whole computation. */
  readonly reckon: (choices: Choices) => Reckoned;
  /** Today, where dates until which something can be decided count. */
  readonly today: string | null;
}

interface Context extends Look {
  readonly offer: CustomerOffer;
  readonly answers: Answers;
  readonly differences: Differences;
  readonly now: Reckoned;
  readonly basis: CustomerBasis;
  /** The figures with the tax in them, where they are shown so. */
  readonly taxed: ShownWithTax | null;
}

const money = ({ offer }: Pick<Context, 'offer'>, value: Amount) => writeAmount(value, offer.minorDigits);
const orNull = (context: Pick<Context, 'offer'>, value: Amount) =>
  value === 0n ? null : money(context, value);
const showsLines = ({ offer: { shows } }: Pick<Context, 'offer'>) => shows === 'lines' || shows === 'prices';

/**
 * Why a decision cannot be taken, its day is over or a rule is against it, and where it can be taken with others, the way.
 * @param leave it is an extra, to be left out
 */
function why(
  context: Context,
  until: string | null | undefined,
  next: Choices,
  pick: Picked,
  leave = false,
): { hindrance: string | null; way: Way | null } {
  const { choices, today, offer } = context;
  const late = tooLate(until, today);
  const against = late ?? hindrance(offer.menu, choices, next);
  // Ways are for who can go them; on a paper and in what is signed there are none.
  const way =
    against !== null && late === null && today !== null
      ? wayTo(offer.menu, choices, pick, today, leave)
      : null;
  return { hindrance: against, way };
}

type Under = Pick<Context, 'offer' | 'answers' | 'choices'>;

/** A piece as it reads under the choices, before tax is put in; its amounts only where it is in. */
function netShownOf(context: Under, piece: OfferPiece): OfferShown {
  const variant = piece.variants.find(({ when }) => allHold(when, context.answers)) ?? piece.variants[0]!;
  const isIn = allHold(piece.when, context.answers);
  const prices = context.offer.shows === 'prices';
  let { shown } = variant;
  if (piece.stepped) {
    const at = steppedAt(piece.stepped, context.choices, piece.id, context.offer.minorDigits);
    shown = {
      ...shown,
      quantity: showsLines(context) ? writeFixed(at.quantity) : null,
      unitPrice: prices && !at.minimumApplied ? writeFixedPlaces(at.unitPrice, piece.stepped.places) : null,
      amount: showsLines(context) ? money(context, at.net) : null,
      discount: prices ? orNull(context, at.discount) : null,
      minimum: showsLines(context) && at.minimumApplied,
      ...(shown.bearing
        ? {
            bearing: [
              [piece.stepped.taxClass, String(at.net > 0n ? at.net : 0n), String(at.net < 0n ? at.net : 0n)],
            ],
          }
        : {}),
    };
  }
  if (isIn) return shown;
  return {
    ...shown,
    amount: null,
    discount: null,
    parts: shown.parts.map((part) => ({ ...part, amount: null, discount: null })),
  };
}

/** A piece as the customer reads it. */
function shownOf(context: Context, piece: OfferPiece): OfferShown {
  const net = netShownOf(context, piece);
  const { bearing: _, parts, ...shown } = context.taxed?.piece(piece, net) ?? net;
  return { ...shown, parts: parts.map(({ bearing: __, ...part }) => part) };
}

function extraOf(context: Context, piece: OfferPiece): CustomerExtra {
  const { menu } = context.offer;
  const { extra } = indexOf(menu).extras.get(piece.id)!;
  const found = context.differences.extras.find(({ lineId }) => lineId === piece.id);
  const isIn = context.answers.extra(piece.id);
  const limits = extra.quantity;
  const quantity = piece.stepped
    ? steppedAt(piece.stepped, context.choices, piece.id, context.offer.minorDigits).quantity
    : null;
  const shown = shownOf(context, piece);
  return {
    kind: 'extra',
    id: piece.id,
    ...shown,
    in: isIn,
    chosenQuantity: quantity === null ? '1' : writeFixed(quantity),
    limits: limits ? { minimum: limits.minimum, maximum: limits.maximum, step: limits.step } : null,
    difference: money(context, found?.difference ?? (0n as Amount)),
    until: extra.until ?? null,
    ...why(context, extra.until, withExtra(context.choices, piece.id, !isIn), { extra: piece.id }, isIn),
  };
}

/** Is it on offer as things stand, whether or not the customer takes it or its section in? */
const onOffer = (when: OfferPiece['when'], answers: Answers): boolean =>
  when.every((test) => 'extra' in test || holds(test, answers));

function pieceOf(context: Context, piece: OfferPiece): CustomerEntry[] {
  if (!onOffer(piece.when, context.answers)) return [];
  return piece.extra
    ? [extraOf(context, piece)]
    : [{ kind: 'line', id: piece.id, ...shownOf(context, piece) }];
}

function questionOf(context: Context, question: OfferQuestion): CustomerQuestion {
  const { menu } = context.offer;
  const asked = indexOf(menu).questions.get(question.id)!;
  return {
    kind: 'question',
    id: question.id,
    prompt: asked.name,
    detail: question.detail,
    reason: question.reason,
    until: asked.until,
    alternatives: asked.answers.map(({ id, name }): CustomerAlternative => {
      const alternative = question.alternatives.find((each) => each.id === id);
      const found = context.differences.alternatives.find(
        ({ questionId, alternativeId }) => questionId === question.id && alternativeId === id,
      );
      const picked = context.answers.question(question.id) === id;
      const amounts = (alternative?.pieces ?? []).map((piece) =>
        parseAmount(shownOf(context, piece).amount ?? '0', context.offer.minorDigits),
      );
      return {
        id,
        name,
        detail: alternative?.detail ?? null,
        picture: alternative?.picture ?? null,
        picked,
        suggested: id === asked.suggested,
        recommended: id === question.recommended,
        difference: money(context, found?.difference ?? (0n as Amount)),
        ...(picked
          ? { hindrance: null, way: null }
          : why(context, asked.until, withAlternative(context.choices, question.id, id), {
              question: question.id,
              alternative: id,
            })),
        amount: picked && showsLines(context) && id !== NONE ? money(context, sumAmounts(amounts)) : null,
      };
    }),
  };
}

function sectionOf(
  context: Context,
  section: OfferSection,
  figures: ShownWithTax['sections'][number],
): CustomerSection[] {
  const { answers, offer } = context;
  if (!onOffer(section.when, answers)) return [];
  const isIn = allHold(section.when, answers);
  const found = context.differences.extras.find(({ lineId }) => lineId === section.id);
  const until = indexOf(offer.menu).extras.get(section.id)?.extra.until;
  return [
    {
      id: section.id,
      title: section.title,
      text: section.text,
      amount: offer.shows === 'total' || !isIn ? null : money(context, figures.net),
      discount: showsLines(context) ? orNull(context, figures.discount) : null,
      discountReason:
        showsLines(context) && figures.discount !== 0n ? (section.discount?.reason ?? null) : null,
      choice: section.extra
        ? {
            in: isIn,
            difference: money(context, found?.difference ?? (0n as Amount)),
            until: until ?? null,
            ...why(
              context,
              until,
              withExtra(context.choices, section.id, !isIn),
              { extra: section.id },
              isIn,
            ),
          }
        : null,
      entries: section.entries.flatMap((entry): CustomerEntry[] => {
        if (entry.kind === 'piece') return pieceOf(context, entry);
        if (!onOffer(entry.when, answers)) return [];
        const picked = entry.alternatives.find(({ id }) => id === answers.question(entry.id));
        const inner = (picked?.pieces ?? []).filter((piece) => piece.extra);
        return [questionOf(context, entry), ...inner.flatMap((piece) => pieceOf(context, piece))];
      }),
    },
  ];
}

function levelsOf(context: Context): CustomerLevels[] {
  const { offer, choices, now } = context;
  return offer.tiers.map((tiers): CustomerLevels => {
    const asked = indexOf(offer.menu).tiers.get(tiers.id)!;
    return {
      id: tiers.id,
      prompt: asked.name,
      detail: tiers.detail,
      section: tiers.section,
      reason: tiers.reason,
      until: asked.until,
      levels: asked.levels.map(({ id, name }, i) => {
        const found = context.differences.levels.find(
          (each) => each.levelsId === tiers.id && each.levelId === id,
        );
        const difference = found?.difference ?? (0n as Amount);
        const picked = context.answers.tiers(tiers.id) === id;
        return {
          id,
          name,
          detail: tiers.details[i] ?? null,
          picked,
          suggested: id === asked.suggested,
          recommended: id === tiers.recommended,
          difference: money(context, difference),
          total: money(context, (priceOn(context.basis, now) + difference) as Amount),
          ...(picked
            ? { hindrance: null, way: null }
            : why(context, asked.until, withLevel(choices, tiers.id, id), { tiers: tiers.id, level: id })),
        };
      }),
      rows: tiers.rows,
    };
  });
}

/**
 * What the customer sees of an offer under choices. The same on the server and in the browser; shown amounts add up to
 * the total.
 */
export function viewOf(offer: CustomerOffer, look: Look): CustomerView {
  const now = look.reckon(look.choices);
  const { choices } = look;
  const answers = answersOf(offer.menu, choices);
  const basis = basisOf(offer);
  const context: Context = {
    ...look,
    offer,
    answers,
    differences: differencesBy(offer.menu, choices, (other) => priceOn(basis, look.reckon(other))),
    now,
    basis,
    taxed: putsTaxIn(offer)
      ? shownWithTax(
          offer,
          now,
          (piece) => netShownOf({ offer, answers, choices }, piece),
          (section, piece) => allHold(section.when, answers) && allHold(piece.when, answers),
        )
      : null,
  };
  const figures = context.taxed ?? now;
  // A change order has no payments of its own.
  const payments = offer.change ? [] : computeSchedule(offer.schedule, now.total, offer.minorDigits).payments;
  const deposits = payments.filter(({ entry }) => entry.kind === 'deposit' && entry.due.on === 'acceptance');
  const oneprice = offer.shows === 'total';
  return {
    title: offer.title,
    currency: offer.currency,
    shows: offer.shows,
    coverNote: offer.coverNote,
    terms: offer.terms,
    change: offer.change,
    validUntil: offer.validUntil,
    tiers: levelsOf(context),
    sections: offer.sections.flatMap((section, i) => sectionOf(context, section, figures.sections[i]!)),
    plans: offer.plans,
    discount: oneprice ? null : orNull(context, figures.discount),
    discountReason: oneprice || figures.discount === 0n ? null : (offer.discount?.reason ?? null),
    fees: oneprice
      ? []
      : now.fees.map(({ fee, amount }, i) => ({
          id: fee.id,
          name: fee.name,
          amount: money(context, context.taxed?.fees[i] ?? amount),
        })),
    taxes: now.taxes
      .filter(({ amount }) => amount !== 0n)
      .map((tax) => ({
        id: `${tax.taxClass}.${tax.component}`,
        name: tax.name,
        percent: tax.percent,
        amount: money(context, tax.amount),
      })),
    taxTotal: money(context, now.taxTotal),
    basis,
    taxInside: (offer.tax?.inside === true && !offer.tax.exempt) || putsTaxIn(offer),
    exempt: offer.tax?.exempt?.reason ?? null,
    total: money(context, now.total),
    payments: payments.map(({ entry, amount }) => ({
      id: entry.id,
      name: entry.name,
      kind: entry.kind,
      amount: money(context, amount),
      due: entry.due,
      planned: plannedFor(offer, entry.due),
    })),
    billing: offer.billing,
    deposit: deposits.length === 0 ? null : money(context, sumAmounts(deposits.map(({ amount }) => amount))),
  };
}

/** What all comes to, as the prices of a page are to be read. */
const priceOn = (basis: CustomerBasis, { total, taxTotal }: Reckoned): Amount =>
  basis === 'before tax' ? subtractAmounts(total, taxTotal) : total;

/** The day the stage of a payment is planned to be done. */
function plannedFor({ stages }: CustomerOffer, due: ScheduleEntry['due']): string | null {
  return due.on === 'stage' ? (stages.find(({ name }) => name === due.stage)?.planned ?? null) : null;
}

import type {
  Allowance,
  BillingTerms,
  Choices,
  CostType,
  Omission,
  ProposalDocument,
  ScheduleEntry,
  Section,
  SectionEntry,
  UnitCode,
} from '@/model';
import { costTypes } from '@/model';
import type { Amount, Fixed } from '../number';
import {
  ZERO,
  allocateSigned,
  divideRounded,
  parseFixed,
  powerOfTen,
  sumAmounts,
  writeFixed,
} from '../number';
import type { SectionLine, TaxFigures } from '../price';
import { computeFigures, effectiveRates, netParts, setAside } from '../price';
import { groupOf } from '../insight/groups';
import { computeSchedule } from '../schedule';

/** One tax component of an agreement: a rate of one class. */
export interface TaxComponent {
  readonly key: string;
  readonly taxClass: string;
  readonly name: string;
  readonly percent: string;
  readonly base: Amount;
  readonly amount: Amount;
}

/** One agreed line (or fee), frozen at its discounted net and its tax. */
export interface AgreedLine {
  readonly id: string;
  readonly sectionTitle: string;
  /** The bundle whose part it is; `one` when the customer sees the bundle as one line. */
  readonly bundle: { readonly id: string; readonly name: string; readonly one: boolean } | null;
  readonly description: string;
  readonly unit: UnitCode;
  readonly quantity: Fixed;
  readonly unitPrice: Fixed;
  readonly costCode: string | null;
  /** The library's item it was made from; null: one of its own. */
  readonly itemId: string | null;
  readonly taxClass: string;
  readonly net: Amount;
  /** In the order of the agreement's components; zero where a component is not of the line's class. */
  readonly taxes: readonly Amount[];
  /** Our cost, for the budget. */
  readonly cost: Amount;
  /** The same by cost type; they sum to it. Types that cost nothing are left out. */
  readonly costs: Readonly<Partial<Record<CostType, Amount>>>;
  /** Money set aside: its terms, and what may be spent in the measure of its rule. */
  readonly allowance: { readonly terms: Allowance; readonly spend: Amount } | null;
  /** The agreed line it leaves out, and how much of it; in a change order. */
  readonly omits: Omission | null;
  /** The agreed allowance it settles; in a change order. */
  readonly settles: string | null;
  /** The stage it is done in; null: none is named. */
  readonly stage: string | null;
}

export interface AgreedPayment {
  readonly id: string;
  readonly name: string;
  readonly kind: ScheduleEntry['kind'];
  readonly due: ScheduleEntry['due'];
  readonly amount: Amount;
}

export interface FrozenAgreement {
  readonly currency: string;
  readonly minorDigits: number;
  readonly lines: readonly AgreedLine[];
  readonly components: readonly TaxComponent[];
  readonly net: Amount;
  readonly tax: Amount;
  readonly total: Amount;
  readonly payments: readonly AgreedPayment[];
  readonly stages: readonly AgreedStage[];
  readonly billing: BillingTerms;
}

export interface AgreedStage {
  readonly name: string;
  readonly planned: string | null;
}

const phasesOf = (entry: SectionEntry, section: Section): string[] =>
  (entry.kind === 'question' ? entry.alternatives.flatMap(({ lines }) => lines) : [entry])
    .map((each) => groupOf(each, section, 'phase'))
    .filter((phase) => phase !== '');

/** Every stage of a document once: those that are listed, then those payments wait for, then the phases of the work. */
export function stagesOf({ stages, schedule, sections }: ProposalDocument): AgreedStage[] {
  const planned = new Map((stages ?? []).map(({ name, planned: day }) => [name, day ?? null]));
  const named = [
    ...planned.keys(),
    ...schedule.flatMap(({ due }) => (due.on === 'stage' ? [due.stage] : [])),
    ...sections.flatMap((section) => section.entries.flatMap((entry) => phasesOf(entry, section))),
  ];
  return [...new Set(named)].map((name) => ({ name, planned: planned.get(name) ?? null }));
}

/** A component's rate on the net; one on top of others takes of them too. At most four places. */
function percentOfNet({ taxClasses }: ProposalDocument, tax: TaxFigures): string {
  const taxClass = taxClasses.find(({ id }) => id === tax.taxClass)!;
  const place = taxClass.components.findIndex(({ id }) => id === tax.component);
  if (!taxClass.components[place]?.onTop) return tax.percent;
  const { top, bottom } = effectiveRates(taxClass)[place]!;
  return writeFixed((divideRounded(top * 1_000_000n, bottom) * 100n) as Fixed);
}

/** The cost of a line by type: its whole cents, shared out by what each type comes to exactly. */
function costsOf({ costAmount, exactCost }: SectionLine): AgreedLine['costs'] {
  const shares = allocateSigned(
    costAmount,
    costTypes.map((type) => exactCost[type]),
  );
  return Object.fromEntries(
    costTypes.flatMap((type, t) => (shares[t] === 0n ? [] : [[type, shares[t]!] as const])),
  );
}

function allowanceOf(line: SectionLine | undefined): AgreedLine['allowance'] {
  const terms = line?.line.allowance;
  return line && terms ? { terms, spend: setAside(line) } : null;
}

/** A net amount by unit of a quantity; the amount itself where there is no quantity to divide by. */
function perUnit(net: Amount, quantity: Fixed | undefined, minorDigits: number): Fixed {
  const whole = net * powerOfTen(6 - minorDigits);
  return (quantity ? divideRounded(whole * 1_000_000n, quantity) : whole) as Fixed;
}

/**
 * What acceptance freezes: every line taken in at its net after all discounts, each tax component allocated to the
 * lines of its class, and the payment entries. Lines and taxes sum to the total, payments sum to the total. A change order
 * has no payments of its own: what it does to those of its agreement is its effect.
 */
export function freezeAgreement(document: ProposalDocument, choices: Choices): FrozenAgreement {
  const figures = computeFigures(document, choices);
  const parts = netParts(document, figures);
  const components = document.tax?.exempt
    ? []
    : figures.taxes.map((tax): TaxComponent => ({
        key: `${tax.taxClass}.${tax.component}`,
        taxClass: tax.taxClass,
        name: tax.name,
        percent: percentOfNet(document, tax),
        base: tax.base,
        amount: tax.amount,
      }));
  const inside = document.tax?.inside === true;
  const taxShares = components.map((component) =>
    component.amount === 0n
      ? parts.map(() => ZERO)
      : allocateSigned(
          component.amount,
          parts.map((part) => (part.taxClass === component.taxClass ? part.net : 0n)),
        ),
  );

  const lines = new Map<string, { line: SectionLine; title: string; stage: string | null }>();
  for (const section of figures.sections)
    for (const line of section.lines)
      lines.set(line.line.id, {
        line,
        title: section.section.title,
        stage: groupOf(line.bundle ?? line.line, section.section, 'phase') || null,
      });
  const bundles = new Map(
    figures.sections.flatMap((section) =>
      [...section.bundles.values()].map(
        ({ bundle, sized }) =>
          [bundle.id, { id: bundle.id, name: sized.name, one: bundle.shows === 'one' }] as const,
      ),
    ),
  );
  const fees = new Map(figures.fees.map(({ fee }) => [fee.id, fee]));

  const agreed = parts.map((part, i): AgreedLine => {
    const found = lines.get(part.id);
    return {
      id: part.id,
      sectionTitle: found?.title ?? 'Fees',
      bundle: (found?.line.bundle && bundles.get(found.line.bundle.id)) ?? null,
      description: found?.line.line.description ?? fees.get(part.id)!.name,
      unit: found?.line.line.unit ?? 'job',
      quantity: found?.line.quantity ?? parseFixed('1'),
      unitPrice:
        found && !inside
          ? found.line.unitPrice
          : perUnit(part.net, found?.line.quantity, figures.minorDigits),
      costCode: found?.line.line.costCode ?? null,
      itemId: found?.line.line.itemId ?? null,
      taxClass: part.taxClass,
      net: part.net,
      taxes: taxShares.map((shares) => shares[i]!),
      cost: found?.line.costAmount ?? ZERO,
      costs: found ? costsOf(found.line) : {},
      allowance: allowanceOf(found?.line),
      omits: found?.line.line.omits ?? null,
      settles: found?.line.line.settles ?? null,
      stage: found?.stage ?? null,
    };
  });

  const schedule = computeSchedule(document.schedule, figures.total, figures.minorDigits);
  return {
    currency: document.currency,
    minorDigits: figures.minorDigits,
    lines: agreed,
    components,
    net: sumAmounts(agreed.map((line) => line.net)),
    tax: figures.taxTotal,
    total: figures.total,
    payments: (document.change ? [] : schedule.payments).map(({ entry, amount }) => ({
      id: entry.id,
      name: entry.name,
      kind: entry.kind,
      due: entry.due,
      amount,
    })),
    stages: stagesOf(document),
    billing: document.billing ?? {},
  };
}

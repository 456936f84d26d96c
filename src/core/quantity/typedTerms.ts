import type { CompanyMoney, CompanyPricing, UsualTerms } from '@/model';
import { parseMoneyInput, readPercent } from './typedAmounts';

/** What a company settles once, its numbers as they were typed. */
export interface TypedTerms {
  readonly usual: UsualTerms;
  readonly pricing: CompanyPricing;
  readonly money: CompanyMoney;
}

/** Reads a field, or says which one cannot be read. */
function named<T>(name: string, read: () => T): T {
  try {
    return read();
  } catch (error) {
    throw new Error(`${name}: ${(error as Error).message}`, { cause: error });
  }
}

const percent = (name: string, text: string, most = 999) => named(name, () => readPercent(text, most));

type Loads = UsualTerms['loads'];
const loads = (all: Loads, within = ''): Loads =>
  all.map((load) => ({ ...load, percent: percent(`${within}${load.name}`, load.percent) }));

/** A name that was typed. @throws Error when there is none */
function called(what: string, text: string): string {
  if (text.trim() === '') throw new Error(`${what} needs a name.`);
  return text.trim();
}

function usualTerms(usual: UsualTerms): UsualTerms {
  return {
    ...usual,
    loads: loads(usual.loads),
    taxClasses: usual.taxClasses.map((taxClass) => ({
      ...taxClass,
      name: called('A tax class', taxClass.name),
      components: taxClass.components.map((component) => ({
        ...component,
        name: called(`A tax of “${taxClass.name.trim()}”`, component.name),
        percent: percent(component.name, component.percent, 100),
      })),
    })),
    schedule: usual.schedule.map((entry) =>
      'percent' in entry.share
        ? { ...entry, share: { percent: percent(entry.name, entry.share.percent, 100) } }
        : entry,
    ),
  };
}

function limitsOf({
  margin,
  discount,
  byTrade,
  ...rest
}: CompanyPricing['limits']): CompanyPricing['limits'] {
  return {
    ...rest,
    ...(margin === undefined ? {} : { margin: percent('The least margin', margin, 99) }),
    ...(discount === undefined ? {} : { discount: percent('The most a seller takes off', discount, 100) }),
    ...(byTrade && {
      byTrade: Object.fromEntries(
        Object.entries(byTrade).map(([trade, text]) => [trade, percent(`The least of ${trade}`, text)]),
      ),
    }),
  };
}

/** Ways of payment with names that tell them apart. */
function waysOf(methods: NonNullable<CompanyMoney['methods']>): NonNullable<CompanyMoney['methods']> {
  const seen = new Set<string>();
  return methods.map((method) => {
    const name = method.name.trim();
    if (name === '') throw new Error('A way of payment needs a name.');
    if (seen.has(name.toLowerCase())) throw new Error(`Two ways of payment are called “${name}”.`);
    seen.add(name.toLowerCase());
    return { ...method, name };
  });
}

function moneyOf({ presets, late, methods, ...rest }: CompanyMoney, minorDigits: number): CompanyMoney {
  const amount = (name: string, text: string) => named(name, () => parseMoneyInput(text, minorDigits));
  return {
    ...rest,
    ...(methods && { methods: waysOf(methods) }),
    presets: presets.map((preset) =>
      preset.upTo === undefined ? preset : { ...preset, upTo: amount(`${preset.name}, up to`, preset.upTo) },
    ),
    ...(late && {
      late:
        late.kind === 'interest'
          ? { ...late, percent: percent('Interest a year', late.percent) }
          : { ...late, amount: amount('The late fee', late.amount) },
    }),
  };
}

/**
 * What a company settles, with every percentage and amount read as it is read wherever one is typed.
 * @param minorDigits decimals of the currency
 * @throws Error with a sentence that names the field
 */
export const readTypedTerms = (typed: TypedTerms, minorDigits: number): TypedTerms => ({
  usual: usualTerms(typed.usual),
  pricing: {
    ...typed.pricing,
    loadSets: typed.pricing.loadSets.map((set) => ({ ...set, loads: loads(set.loads, `${set.name}, `) })),
    limits: limitsOf(typed.pricing.limits),
  },
  money: moneyOf(typed.money, minorDigits),
});

/**
 * A whole number of days as typed.
 * @param least days
 * @param most days
 * @throws Error with a sentence
 */
export function readDays(name: string, text: string, least: number, most: number): number {
  const days = Number(text.trim().replace('−', '-'));
  if (text.trim() === '' || !Number.isInteger(days) || days < least || days > most)
    throw new Error(`${name}: a whole number of days from ${least} to ${most}.`);
  return days;
}

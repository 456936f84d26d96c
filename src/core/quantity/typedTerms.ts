import type { CommissionTerms, CompanyMoney, CompanyPricing, DepositLaw, UsualTerms } from '@/model';
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

type Later = NonNullable<UsualTerms['taxClasses'][number]['components'][number]['later']>;

/** Percentages that hold from a day on, in the order of their days. @throws Error with a sentence */
function laterOf(name: string, later: Later): Later {
  const days = new Set<string>();
  return later
    .map(({ from, percent: text }) => {
      if (from === '') throw new Error(`${name}: from which day on?`);
      if (days.has(from)) throw new Error(`${name}: two percentages from one day on.`);
      days.add(from);
      return { from, percent: percent(`${name} from ${from}`, text, 100) };
    })
    .sort((a, b) => (a.from < b.from ? -1 : 1));
}

/** What becomes of the deposit and what is held back, as typed; nothing where it is as everywhere. */
function billingOf({ retainage, ...rest }: NonNullable<UsualTerms['billing']>): UsualTerms['billing'] {
  const { percent: held = '', limit = '' } = retainage ?? {};
  const part = held.trim() === '' ? '0' : percent('Retainage', held, 100);
  const most = limit.trim() === '' ? null : percent('The most retainage', limit, 100);
  const terms = {
    ...rest,
    ...(part === '0' ? {} : { retainage: { percent: part, ...(most === null ? {} : { limit: most }) } }),
  };
  return Object.keys(terms).length > 0 ? terms : undefined;
}

function usualTerms({ billing, ...usual }: UsualTerms): UsualTerms {
  const terms = billing && billingOf(billing);
  return {
    ...usual,
    ...(terms ? { billing: terms } : {}),
    loads: loads(usual.loads),
    taxClasses: usual.taxClasses.map((taxClass) => ({
      ...taxClass,
      name: called('A tax class', taxClass.name),
      components: taxClass.components.map((component) => ({
        ...component,
        name: called(`A tax of “${taxClass.name.trim()}”`, component.name),
        percent: percent(component.name, component.percent, 100),
        ...(component.later && { later: laterOf(component.name, component.later) }),
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

/** What sellers get, as typed; who has no percentage of their own has that of all, and without that there is none. */
function commissionAs({ percent: text, bySeller, ...rest }: CommissionTerms): CommissionTerms | undefined {
  const own = Object.entries(bySeller ?? {}).filter(([, each]) => each.trim() !== '');
  if (text.trim() === '' && own.length === 0) return undefined;
  return {
    ...rest,
    percent: text.trim() === '' ? '0' : percent('Commission', text, 100),
    ...(own.length > 0 && {
      bySeller: Object.fromEntries(
        own.map(([id, each]) => [id, percent('The commission of a seller', each, 100)]),
      ),
    }),
  };
}

function pricingOf({ commission, ...pricing }: CompanyPricing): CompanyPricing {
  const gives = commission && commissionAs(commission);
  return {
    ...pricing,
    loadSets: pricing.loadSets.map((set) => ({ ...set, loads: loads(set.loads, `${set.name}, `) })),
    limits: limitsOf(pricing.limits),
    ...(gives ? { commission: gives } : {}),
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

/** A law on deposits as it was typed. @throws Error with a sentence */
function lawOf({ share, most, ...law }: DepositLaw, minorDigits: number): DepositLaw {
  const place = called('A law on deposits', law.place);
  const source = law.source.trim();
  if (source === '') throw new Error(`The law of ${place} needs its citation.`);
  if ('of' in share && share.of >= share.in)
    throw new Error(`The law of ${place}: a fraction below one, such as 1/3.`);
  return {
    ...law,
    place,
    source,
    share: 'of' in share ? share : { percent: percent(`The law of ${place}`, share.percent, 100) },
    ...(most === undefined
      ? {}
      : { most: named(`The law of ${place}`, () => parseMoneyInput(most, minorDigits)) }),
  };
}

function moneyOf({ presets, late, methods, laws, ...rest }: CompanyMoney, minorDigits: number): CompanyMoney {
  const amount = (name: string, text: string) => named(name, () => parseMoneyInput(text, minorDigits));
  return {
    ...rest,
    ...(methods && { methods: waysOf(methods) }),
    ...(laws && { laws: laws.map((law) => lawOf(law, minorDigits)) }),
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
  pricing: pricingOf(typed.pricing),
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

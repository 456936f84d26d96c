import type { CompanyMoney, CompanyPricing, UsualTerms } from '@/model';
import type { Subject } from './subjects';

/** What the form of the settings holds. */
export interface Part {
  readonly usual: UsualTerms;
  readonly pricing: CompanyPricing;
  readonly money: CompanyMoney;
  readonly deposit: boolean;
  /** Days, as they are typed. */
  readonly validity: string;
  readonly payment: string;
}

const LATE = ['late', 'reminders'] as const;

/** Everything of one set that is not of a few keys, and those keys of another. */
const mixed = <T extends object>(rest: T, own: T, keys: readonly (keyof T)[]): T => {
  const kept = { ...rest };
  for (const key of keys) {
    delete kept[key];
    if (own[key] !== undefined) kept[key] = own[key];
  }
  return kept;
};

/**
 * The settings as they are stored, with what one subject says as it is typed: each subject is saved by itself, and what is
 * typed in another waits.
 */
export function ofSubject(subject: Subject, typed: Part, stored: Part): Part {
  const late: readonly (keyof CompanyMoney)[] = LATE;
  const taxes: readonly (keyof UsualTerms)[] = ['taxClasses'];
  const billing: readonly (keyof UsualTerms)[] = ['billing'];
  switch (subject) {
    case 'proposals':
      return {
        ...stored,
        validity: typed.validity,
        usual: mixed(typed.usual, stored.usual, [...taxes, ...billing]),
      };
    case 'taxes':
      return { ...stored, usual: mixed(stored.usual, typed.usual, taxes) };
    case 'pricing':
      return { ...stored, pricing: typed.pricing };
    case 'invoices':
      return {
        ...stored,
        deposit: typed.deposit,
        payment: typed.payment,
        usual: mixed(stored.usual, typed.usual, billing),
        money: mixed(typed.money, stored.money, late),
      };
    case 'late':
      return { ...stored, money: mixed(stored.money, typed.money, late) };
    default:
      return stored;
  }
}

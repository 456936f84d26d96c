import { addFixed, parseFixed, writeFixedPlaces } from '../number';

/** What a column of a list is: it decides how it is aligned, shown, sorted and exported. */
export type ColumnKind = 'text' | 'count' | 'amount' | 'date' | 'state';

export interface ListColumn {
  readonly key: string;
  readonly title: string;
  readonly kind: ColumnKind;
  /** Shown unless it is chosen away; false: only where it is chosen. */
  readonly shown?: boolean;
  /** Its sum over all that is filtered stands in the row of totals. */
  readonly total?: boolean;
  /** It cannot be sorted by. */
  readonly unsorted?: boolean;
}

export type ListFilter =
  /** One or more of some values. */
  | {
      readonly key: string;
      readonly label: string;
      readonly kind: 'choice';
      readonly options: readonly { readonly value: string; readonly label: string }[];
    }
  /** Only rows of which it is so. */
  | { readonly key: string; readonly label: string; readonly kind: 'flag' }
  /** Only what is about one thing, by its identity; it is come to from there. */
  | { readonly key: string; readonly label: string; readonly kind: 'thing' }
  /** From one day to another, each of which may be open. */
  | { readonly key: string; readonly label: string; readonly kind: 'days' }
  /** From one amount to another, each of which may be open. */
  | { readonly key: string; readonly label: string; readonly kind: 'amounts' };

/** What a list has: its columns, what it can be filtered by, and how it is sorted to begin with. */
export interface ListSpec {
  readonly name: string;
  readonly columns: readonly ListColumn[];
  readonly filters: readonly ListFilter[];
  readonly sort: Sort;
}

export interface Sort {
  readonly by: string;
  readonly down: boolean;
}

/** What is asked of a list; all of it stands in the address of its page. */
export interface ListState {
  readonly search: string;
  readonly sort: Sort;
  /** Filter → its values; of days and amounts one: `from..to`. */
  readonly filters: Readonly<Record<string, readonly string[]>>;
  /** Counted from 1. */
  readonly page: number;
}

/** The parameters of an address, as a page or a route gets them. */
export type AddressParameters = Readonly<Record<string, string | readonly string[] | undefined>>;

/** Rows on one page. */
export const PAGE_SIZE = 50;
const MOST_PAGES = 20_000;
const MOST_WORDS = 200;
const MOST_VALUES = 40;

const DAY = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;
const IDENTITY = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;
const AMOUNT = /^-?\d{1,15}(\.\d{1,4})?$/;

const first = (value: string | readonly string[] | undefined): string =>
  (typeof value === 'string' ? value : value?.[0]) ?? '';

/** `from..to` in its two ends; what is empty is open. Null where it is neither days nor amounts in order. */
export function readRange(
  kind: 'days' | 'amounts',
  text: string,
): { readonly from: string | null; readonly to: string | null } | null {
  const [from = '', to = '', ...more] = text.split('..');
  const fits = (end: string) => end === '' || (kind === 'days' ? DAY : AMOUNT).test(end);
  if (more.length > 0 || !text.includes('..') || !fits(from) || !fits(to) || from + to === '') return null;
  return { from: from || null, to: to || null };
}

/** A comma parts the values of a choice; one within a value is written as `%2C`. */
const joined = (values: readonly string[]): string =>
  values.map((value) => value.replaceAll('%', '%25').replaceAll(',', '%2C')).join(',');
const parted = (text: string): string[] =>
  text.split(',').map((value) => value.replaceAll('%2C', ',').replaceAll('%25', '%'));

function readFilter(filter: ListFilter, value: string | readonly string[] | undefined): readonly string[] {
  if (filter.kind === 'flag') return first(value) === '1' ? ['1'] : [];
  if (filter.kind === 'thing') return IDENTITY.test(first(value)) ? [first(value)] : [];
  if (filter.kind !== 'choice') {
    const text = first(value);
    return readRange(filter.kind, text) ? [text] : [];
  }
  const asked = new Set(parted(first(value)).slice(0, MOST_VALUES));
  return filter.options.map((option) => option.value).filter((each) => asked.has(each));
}

/**
 * What is asked of a list by the address of its page. What is not known, out of bounds or of another kind is left out: an
 * address that was sent, or was changed by hand, always leads to a list.
 */
export function readListState(spec: ListSpec, parameters: AddressParameters): ListState {
  const [by = '', way] = first(parameters.sort).split(' ');
  const column = spec.columns.find(({ key, unsorted }) => key === by && !unsorted);
  const page = Number(first(parameters.page));
  return {
    search: first(parameters.search).slice(0, MOST_WORDS),
    sort: column ? { by, down: way === 'down' } : spec.sort,
    filters: Object.fromEntries(
      spec.filters.flatMap((filter) => {
        const values = readFilter(filter, parameters[filter.key]);
        return values.length === 0 ? [] : [[filter.key, values] as const];
      }),
    ),
    page: Number.isInteger(page) && page > 1 ? Math.min(page, MOST_PAGES) : 1,
  };
}

/** The address parameters of what is asked: only what differs from the list as it is at first. */
export function writeListState(spec: ListSpec, { search, sort, filters, page }: ListState): URLSearchParams {
  const parameters = new URLSearchParams();
  if (search.trim() !== '') parameters.set('search', search);
  if (sort.by !== spec.sort.by || sort.down !== spec.sort.down)
    parameters.set('sort', sort.down ? `${sort.by} down` : sort.by);
  for (const { key, kind } of spec.filters) {
    const values = filters[key] ?? [];
    if (values.length > 0) parameters.set(key, kind === 'choice' ? joined(values) : values[0]!);
  }
  if (page > 1) parameters.set('page', String(page));
  return parameters;
}

/** Is anything filtered or searched for? */
export const isNarrowed = ({ search, filters }: Pick<ListState, 'search' | 'filters'>): boolean =>
  search.trim() !== '' || Object.values(filters).some((values) => values.length > 0);

/** The columns that are shown: those chosen, in the list's order; without a choice, those shown at first. */
export function shownColumns(spec: ListSpec, chosen: readonly string[] | undefined): readonly ListColumn[] {
  const kept = chosen && spec.columns.filter(({ key }) => chosen.includes(key));
  return kept && kept.length > 0 ? kept : spec.columns.filter(({ shown }) => shown !== false);
}

/** What a column of decimal text comes to over some rows, with as many decimals as the longest of them. */
export function sumColumn<Row extends object>(rows: readonly Row[], key: string): string {
  const texts = rows.map((row) => String(row[key as keyof Row] ?? '0'));
  // The database writes nothing as 0, whatever the others have.
  const places = Math.max(0, ...texts.map((text) => text.split('.')[1]?.length ?? 0));
  return writeFixedPlaces(addFixed(texts.map(parseFixed)), places);
}

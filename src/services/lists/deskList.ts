import { inCompany } from '@/data/connection';
import type { ListSource } from '@/data/lists/listQuery';
import { listAfter, listAll, listPage } from '@/data/lists/listQuery';
import { companyOf } from '@/data/settings/company';
import type { Transaction } from '@/data/connection';
import type { AddressParameters, ListSpec, ListState } from '@/core/lists';
import { readListState } from '@/core/lists';
import { minorDigits } from '@/core/number';
import type { ListPreferences } from '@/model';
import { readListPreferences } from '../accounts/listPreferences';
import type { Actor } from '../actor';
import { allow, businessDate } from '../actor';

/** What a list is worked out with. */
export interface ListContext {
  readonly tx: Transaction;
  readonly actor: Actor;
  readonly today: string;
  readonly timeZone: string;
  readonly digits: number;
}

/** A list of the desk: what it offers, where its rows come from, and what the core says of them. */
export interface DeskList<Raw, Row = Raw> {
  readonly spec: (context: ListContext) => Promise<ListSpec> | ListSpec;
  readonly source: (context: ListContext, state: ListState) => ListSource;
  /** Rows as they are shown; what only the core decides is decided here. */
  readonly finish?: (context: ListContext, rows: readonly Raw[]) => Promise<readonly Row[]>;
}

/** One page of a list as its table shows it. */
export interface ListShown<Row> {
  readonly spec: ListSpec;
  readonly state: ListState;
  readonly rows: readonly Row[];
  readonly count: number;
  readonly totals: Readonly<Record<string, string>>;
  readonly preferences: ListPreferences;
  readonly today: string;
}

async function inContext<T>(actor: Actor, work: (context: ListContext) => Promise<T>): Promise<T> {
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    return work({
      tx,
      actor,
      today: businessDate(actor.now, ours.timeZone),
      timeZone: ours.timeZone,
      digits: minorDigits(ours.currency),
    });
  });
}

const finished = async <Raw, Row>(
  list: DeskList<Raw, Row>,
  context: ListContext,
  rows: readonly Raw[],
): Promise<readonly Row[]> =>
  list.finish ? list.finish(context, rows) : (rows as unknown as readonly Row[]);

/** The page of a list that an address asks for. */
export async function readList<Raw, Row>(
  actor: Actor,
  list: DeskList<Raw, Row>,
  parameters: AddressParameters,
): Promise<ListShown<Row>> {
  allow(actor, 'prices');
  const shown = await inContext(actor, async (context) => {
    const spec = await list.spec(context);
    const state = readListState(spec, parameters);
    const { rows, count, totals, page } = await listPage<Raw>(
      context.tx,
      spec,
      list.source(context, state),
      state,
    );
    return {
      spec,
      state: { ...state, page },
      rows: await finished(list, context, rows),
      count,
      totals,
      today: context.today,
    };
  });
  return { ...shown, preferences: await readListPreferences(actor, shown.spec.name) };
}

/** All rows that an address asks for, whatever page it names. */
export async function readWholeList<Raw, Row>(
  actor: Actor,
  list: DeskList<Raw, Row>,
  parameters: AddressParameters,
): Promise<{ readonly spec: ListSpec; readonly rows: readonly Row[] }> {
  allow(actor, 'prices');
  return inContext(actor, async (context) => {
    const spec = await list.spec(context);
    const state = readListState(spec, parameters);
    const rows = await listAll<Raw>(context.tx, spec, list.source(context, state), state);
    return { spec, rows: await finished(list, context, rows) };
  });
}

/**
 * Rows that an address asks for, in the order they were made, from one on.
 * @param from `after` is the identity of the last row that was read (null: from the first on), `most` how many are given
 */
export async function readListAfter<Raw, Row>(
  actor: Actor,
  list: DeskList<Raw, Row>,
  parameters: AddressParameters,
  from: { readonly after: string | null; readonly most: number },
): Promise<{ readonly rows: readonly Row[]; readonly more: boolean; readonly digits: number }> {
  allow(actor, 'prices');
  return inContext(actor, async (context) => {
    const spec = await list.spec(context);
    const state = readListState(spec, parameters);
    const found = await listAfter<Raw>(context.tx, spec, list.source(context, state), state, {
      ...from,
      most: from.most + 1,
    });
    return {
      rows: await finished(list, context, found.slice(0, from.most)),
      more: found.length > from.most,
      digits: context.digits,
    };
  });
}

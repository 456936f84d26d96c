import type { AddressParameters, ListSpec } from '@/core/lists';
import { shownColumns } from '@/core/lists';
import { listCsv, listXlsx } from '@/formats/listFile';
import { readListPreferences } from '../accounts/listPreferences';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { agreementList } from '../agreements/agreementList';
import { stageList } from '../agreements/stageList';
import { batchList } from '../billing/batchList';
import { invoiceList } from '../billing/invoiceList';
import { customerList } from '../customers/customerList';
import { historyList } from '../history/historyList';
import { costList } from '../jobCosting/costList';
import { libraryList } from '../library/libraryList';
import type { DeskList } from '../lists/deskList';
import { readWholeList } from '../lists/deskList';
import { messageList } from '../messages/messageList';
import { paymentList } from '../payments/paymentList';
import { noSuch } from '../problem';
import { proposalList } from '../proposals/proposalList';

type Whole = Promise<{ readonly spec: ListSpec; readonly rows: readonly { readonly id: string }[] }>;

const whole =
  <Raw, Row extends { readonly id: string }>(list: DeskList<Raw, Row>) =>
  (actor: Actor, parameters: AddressParameters): Whole =>
    readWholeList(actor, list, parameters);

const lists: Readonly<Record<string, (actor: Actor, parameters: AddressParameters) => Whole>> = {
  agreements: whole(agreementList),
  batches: whole(batchList),
  costs: whole(costList),
  customers: whole(customerList),
  history: whole(historyList),
  invoices: whole(invoiceList),
  library: whole(libraryList),
  messages: whole(messageList),
  payments: whole(paymentList),
  proposals: whole(proposalList),
  stages: whole(stageList),
};

/** What lists there are as files. */
export const listNames: readonly string[] = Object.keys(lists);

const MOST_PICKED = 50;

/** What a cell says in a file: dates and decimals as they are kept, several things one after the other. */
const cell = (value: unknown): string =>
  value === null || value === undefined
    ? ''
    : Array.isArray(value)
      ? value.filter((each) => typeof each === 'string').join('; ')
      : typeof value === 'object'
        ? ''
        : String(value);

/**
 * A list as a file: exactly what its address filters, in its order, with the columns the person has chosen; or only the rows
 * that are named.
 * @throws Problem `no-such-list`
 */
export async function listFile(
  actor: Actor,
  name: string,
  parameters: AddressParameters,
): Promise<{ readonly body: string | Buffer; readonly type: string; readonly name: string }> {
  allow(actor, 'export');
  const read = Object.hasOwn(lists, name) ? lists[name] : undefined;
  if (!read) throw noSuch('list');
  const { spec, rows } = await read(actor, parameters);
  const { columns: chosen } = await readListPreferences(actor, spec.name);
  const columns = shownColumns(spec, chosen)
    .filter(({ key }) => !['track', 'files'].includes(key))
    .map(({ key, title, kind }) => ({ key, title, number: kind === 'amount' || kind === 'count' }));
  const ids = typeof parameters.ids === 'string' ? parameters.ids.split(',').slice(0, MOST_PICKED) : null;
  const picked = ids === null ? rows : rows.filter(({ id }) => ids.includes(id));
  const cells = picked.map((row) =>
    Object.fromEntries(columns.map(({ key }) => [key, cell(row[key as keyof typeof row])])),
  );
  return parameters.format === 'xlsx'
    ? {
        body: await listXlsx(name, columns, cells),
        type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
        name: `${name}.xlsx`,
      }
    : {
        body: listCsv(columns, cells),
        type: 'text/csv; charset=utf-8; header=present',
        name: `${name}.csv`,
      };
}

import Type from 'typebox';
import { backLists } from '@/formats/csv/reportCsv';
import { batchList } from '../../billing/batchList';
import { BatchInput, batchNumber, makeBatch } from '../../billing/batches';
import { listFile, listNames } from '../../downloads/lists';
import { batchItemsCsv, batchJournalCsv, dueDatesIcs } from '../../downloads/papers';
import { historyList } from '../../history/historyList';
import { noSuch } from '../../problem';
import { moneyReportFile } from '../../reports/moneyReport';
import { backListCsv, backListXlsx, yearOf } from '../../reports/reportList';
import { taxReportFile } from '../../reports/taxReport';
import { Count, Day, Id, Instant, orNull, Words } from '../answers';
import { csvType, fileOperation, operation, xlsxType } from '../operation';
import { listQuery, paged, pageOf } from '../paging';

const format = Type.Optional(Type.String({ description: '`csv`, as where it is left out, or `xlsx`' }));
const about = 'Lists and reports' as const;
const tables = ['text/csv', xlsxType];
const formatOf = (query: Readonly<Record<string, string>>) => (query.format === 'xlsx' ? 'xlsx' : 'csv');
const typeOf = (query: Readonly<Record<string, string>>) => (query.format === 'xlsx' ? xlsxType : csvType);

const Batch = Type.Object({ id: Id, number: Count, from: Day, to: Day, madeAt: Instant, by: Words });

const Act = Type.Object({
  id: Id,
  at: Instant,
  who: Type.String({ description: 'Empty: a customer, or the server by itself' }),
  act: Words,
  about: Words,
  subject: Type.String({ description: 'What it was done to: mostly an identity' }),
  kind: orNull(Words),
  says: Type.Array(Words),
});

/** @throws Problem `no-such-list` */
export const reportOperations = [
  fileOperation({
    id: 'listAsFile',
    method: 'get',
    path: '/lists/{list}',
    about,
    title: 'A list of the desk as a file, filtered and sorted as its page is',
    note: `Lists: ${listNames.join(', ')}. The other parameters are those of the address of the page.`,
    needs: [['export']],
    query: Type.Object({ format, search: Type.Optional(Type.String()), sort: Type.Optional(Type.String()) }),
    openQuery: true,
    files: tables,
    act: (actor, { path, query }) => listFile(actor, path.list!, query),
  }),
  fileOperation({
    id: 'lookingBack',
    method: 'get',
    path: '/reports.csv',
    about,
    title: 'A list of looking back',
    note: 'That of agreements needs `cost` as well.',
    needs: [['export']],
    query: Type.Object({
      list: Type.Optional(Type.String({ description: backLists.join(', ') })),
      year: Type.Optional(Type.String()),
      days: Type.Optional(Type.String()),
      format,
    }),
    files: tables,
    act: async (actor, { query }) => {
      const list = backLists.find((each) => each === query.list);
      const days = Number(query.days ?? '365');
      const year = yearOf(query.year ?? null);
      if (!list || !Number.isInteger(days) || days < 1 || days > 3660) throw noSuch('list');
      const body =
        formatOf(query) === 'xlsx'
          ? await backListXlsx(actor, list, { year, days })
          : await backListCsv(actor, list, { year, days });
      return { body, type: typeOf(query), name: `${list}.${formatOf(query)}` };
    },
  }),
  fileOperation({
    id: 'moneyReport',
    method: 'get',
    path: '/reports/money',
    about,
    title: 'A report on money, narrowed as its page is',
    needs: [['export']],
    query: Type.Object({ show: Type.Optional(Type.String()), format }),
    openQuery: true,
    files: tables,
    act: async (actor, { query }) => ({
      ...(await moneyReportFile(actor, query.show ?? '', query, formatOf(query))),
      type: typeOf(query),
    }),
  }),
  fileOperation({
    id: 'taxReport',
    method: 'get',
    path: '/reports/tax',
    about,
    title: 'Sales tax from a day to a day; the quarter of today where no period is said',
    needs: [['export'], ['money']],
    query: Type.Object({ from: Type.Optional(Type.String()), to: Type.Optional(Type.String()), format }),
    files: tables,
    act: async (actor, { query }) => ({
      ...(await taxReportFile(actor, { from: query.from ?? null, to: query.to ?? null }, formatOf(query))),
      type: typeOf(query),
    }),
  }),
  operation({
    id: 'listBatches',
    method: 'get',
    path: '/batches',
    about,
    title: 'What went to the accountant, batch by batch',
    needs: [['prices'], ['money']],
    query: listQuery({}),
    answer: paged(Batch),
    act: (actor, asked) => pageOf(actor, batchList, asked, Batch, (row) => row),
  }),
  operation({
    id: 'makeBatch',
    method: 'post',
    path: '/batches',
    about,
    title: 'Makes a batch for the accountant of what was in none yet',
    needs: [['money']],
    body: BatchInput,
    answer: Type.Object({ id: Id, number: Count }),
    makes: true,
    act: (actor, { body }) => makeBatch(actor, body),
  }),
  operation({
    id: 'listHistory',
    method: 'get',
    path: '/history',
    about,
    title: 'Who did what, when',
    needs: [['prices'], ['settings']],
    query: listQuery({
      at: Type.Optional(Type.String({ description: 'The day, `FROM..TO`; either can be left out' })),
      of: Type.Optional(Type.String({ description: 'Of one thing only, by its identity' })),
    }),
    answer: paged(Act),
    act: (actor, asked) => pageOf(actor, historyList, asked, Act, (row) => row),
  }),
  fileOperation({
    id: 'batchItems',
    method: 'get',
    path: '/batches/{id}/items.csv',
    about,
    title: 'The papers of a batch for the accountant, broken into their items',
    needs: [['money']],
    files: ['text/csv'],
    act: async (actor, { path }) => ({
      body: await batchItemsCsv(actor, path.id!),
      type: csvType,
      name: `batch-${await batchNumber(actor, path.id!)}-items.csv`,
    }),
  }),
  fileOperation({
    id: 'batchJournal',
    method: 'get',
    path: '/batches/{id}/journal.csv',
    about,
    title: 'A batch for the accountant as a journal',
    needs: [['money']],
    files: ['text/csv'],
    act: async (actor, { path }) => ({
      body: await batchJournalCsv(actor, path.id!),
      type: csvType,
      name: `batch-${await batchNumber(actor, path.id!)}-journal.csv`,
    }),
  }),
  fileOperation({
    id: 'dueDates',
    method: 'get',
    path: '/due-dates.ics',
    about,
    title: 'What falls due, as a calendar (iCalendar)',
    needs: [['prices']],
    files: ['text/calendar'],
    act: async (actor) => ({
      body: await dueDatesIcs(actor),
      type: 'text/calendar; charset=utf-8',
      name: 'due-dates.ics',
    }),
  }),
];

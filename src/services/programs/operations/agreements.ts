import Type from 'typebox';
import { jobLists } from '@/formats/csv/jobCsv';
import { LARGEST_FILE } from '@/formats/table/readTable';
import { CostInput } from '@/model';
import { agreementList } from '../../agreements/agreementList';
import { readAgreement } from '../../agreements/read';
import { saveStage, StageInput } from '../../agreements/stages';
import { readCertificates, readSignedStatement } from '../../booklet/certificate';
import { draftInvoicePdf } from '../../downloads/papers';
import { costList } from '../../jobCosting/costList';
import { importCosts } from '../../jobCosting/importCosts';
import { jobListCsv } from '../../jobCosting/jobList';
import { recordCost } from '../../jobCosting/record';
import { noSuch } from '../../problem';
import { Count, Day, Id, Instant, Made, Money, orNull, Words } from '../answers';
import { csvType, fileOperation, operation, quietOperation } from '../operation';
import { listQuery, paged, pageOf } from '../paging';

const closed = { additionalProperties: false } as const;
const sums = {
  billed: Money,
  paid: Money,
};

const AgreementRow = Type.Object({
  id: Id,
  number: Count,
  title: Words,
  customerId: Id,
  customer: Words,
  site: Words,
  seller: orNull(Words),
  signed: Day,
  sum: Type.String({ ...Money, description: 'To date, with its change orders and tax' }),
  ...sums,
  open: Type.String({ ...Money, description: 'Billed and not paid' }),
  left: Type.String({ ...Money, description: 'Not billed yet' }),
  held: Type.String({ ...Money, description: 'Retainage that is held' }),
});

const Agreement = Type.Object({
  id: Id,
  number: Count,
  title: Words,
  customerId: Id,
  site: Words,
  currency: Words,
  proposalId: Id,
  acceptedAt: Instant,
  signerName: Words,
  net: Money,
  tax: Money,
  total: Type.String({ ...Money, description: 'As it was signed' }),
  sumToDate: Type.String({ ...Money, description: 'With its change orders' }),
  ...sums,
  leftToBill: Money,
  held: Type.String({ ...Money, description: 'Retainage that is held' }),
  credit: Type.String({ ...Money, description: 'Of the customer, on this agreement' }),
  lines: Type.Array(
    Type.Object({
      id: Words,
      change: orNull(Type.Integer({ description: 'The change order it came with' })),
      section: Words,
      stage: orNull(Words),
      description: Words,
      quantity: Words,
      unit: Words,
      agreed: Money,
      billed: Money,
      left: Money,
    }),
  ),
  schedule: Type.Array(
    Type.Object({
      id: Words,
      name: Words,
      amount: Money,
      billed: Money,
      toBill: Type.Boolean(),
      from: orNull(Type.String({ description: 'The day from which it can be billed; null: not yet known' })),
    }),
  ),
  stages: Type.Array(
    Type.Object({
      name: Words,
      plannedOn: orNull(Day),
      doneOn: orNull(Day),
      percent: orNull(Words),
      agreed: Money,
      left: Money,
    }),
  ),
  invoices: Type.Array(
    Type.Object({
      id: Id,
      number: Words,
      kind: Words,
      title: Words,
      issuedOn: Day,
      dueOn: orNull(Day),
      total: Money,
      paid: Money,
      open: Money,
    }),
  ),
  payments: Type.Array(
    Type.Object({
      id: Id,
      method: Words,
      methodName: orNull(Words),
      amount: Money,
      receivedOn: Day,
      reference: Words,
      gone: orNull(Type.String({ description: 'Returned or void' })),
    }),
  ),
});

const Certificate = Type.Object({
  kind: Words,
  title: Words,
  total: Money,
  signer: Words,
  signedAt: Instant,
  recordedBy: orNull(Type.String({ description: 'Who of the company recorded it on their behalf' })),
  sha256: Type.String({ description: 'Of the statement that was signed' }),
  documentSha256: Words,
  intact: Type.Boolean(),
});

const CostRow = Type.Object({
  id: Id,
  day: Day,
  what: Words,
  agreementId: Id,
  for: Type.String({ description: 'The line, stage or cost code it is for' }),
  costCode: Words,
  costType: Words,
  supplier: Words,
  hours: orNull(Words),
  invoiceId: orNull(Id),
  by: Words,
  void: Type.Boolean({ description: 'Taken back, or what takes it back: together nothing' }),
  amount: Money,
});

const { agreementId: _, ...stageBody } = StageInput.properties;
const { agreementId: __, ...costBody } = CostInput.properties;

/** @throws Problem `no-such-list` */
export const agreementOperations = [
  operation({
    id: 'listAgreements',
    method: 'get',
    path: '/agreements',
    about: 'Agreements',
    title: 'Agreements with their standing',
    needs: [['prices']],
    query: listQuery({
      show: Type.Optional(Type.String({ description: '`under way` or `finished`' })),
      signed: Type.Optional(Type.String({ description: 'The day, `FROM..TO`; either can be left out' })),
    }),
    answer: paged(AgreementRow),
    act: (actor, asked) =>
      pageOf(actor, agreementList, asked, AgreementRow, (row, money) => ({
        ...row,
        ...{ sum: money(row.sum), open: money(row.open), held: money(row.held) },
      })),
  }),
  operation({
    id: 'readAgreement',
    method: 'get',
    path: '/agreements/{id}',
    about: 'Agreements',
    title: 'An agreement: lines, schedule, stages, invoices, payments and standing',
    needs: [['prices']],
    answer: Agreement,
    act: async (actor, { path }) => {
      const found = await readAgreement(actor, path.id!);
      const { billed, paid, leftToBill } = found.standing;
      return {
        ...{ id: found.id, number: found.number, title: found.title, site: found.site },
        ...{ currency: found.currency, proposalId: found.proposalId, acceptedAt: found.acceptedAt },
        ...{ signerName: found.signerName, net: found.net, tax: found.tax, total: found.total },
        ...{ sumToDate: found.sumToDate, billed, paid, leftToBill, held: found.held, credit: found.credit },
        customerId: found.customer.id,
        lines: found.lines.map(({ bundle: _bundle, ...line }) => line),
        schedule: found.payments.map(({ id, name, amount, billed: of, toBill, from }) => ({
          ...{ id, name, amount, billed: of, toBill, from },
        })),
        stages: found.stages.map(({ name, plannedOn, doneOn, percent, agreed, left }) => ({
          ...{ name, plannedOn, doneOn, percent, agreed, left },
        })),
        invoices: found.invoices.map(
          ({ id, number, kind, title, issuedOn, dueOn, total, paid: of, open }) => ({
            ...{ id, number, kind, title, issuedOn, total, paid: of, open },
            dueOn: kind === 'credit note' ? null : dueOn,
          }),
        ),
        payments: found.received.map(({ gone, ...payment }) => ({ ...payment, gone: gone?.kind ?? null })),
      };
    },
  }),
  quietOperation({
    id: 'reportStage',
    method: 'post',
    path: '/agreements/{id}/stages',
    about: 'Agreements',
    title: 'Plans a stage, or reports how far it is',
    needs: [['jobs']],
    body: Type.Object(stageBody, closed),
    act: (actor, { path, body }) => saveStage(actor, { ...(body as object), agreementId: path.id! }),
  }),
  operation({
    id: 'listCertificates',
    method: 'get',
    path: '/agreements/{id}/certificates',
    about: 'Agreements',
    title: 'Every signature on an agreement, and whether what is kept is still what was signed',
    needs: [['prices']],
    answer: Type.Object({ rows: Type.Array(Certificate) }),
    act: async (actor, { path }) => ({
      rows: (await readCertificates(actor, path.id!)).certificates.map(
        ({ kind, title, total, signer, signedAt, recordedBy, sha256, documentSha256, intact }) => ({
          ...{ kind, title, total, signer, signedAt, recordedBy, sha256, documentSha256, intact },
        }),
      ),
    }),
  }),
  operation({
    id: 'listCosts',
    method: 'get',
    path: '/costs',
    about: 'Agreements',
    title: 'What jobs cost us',
    needs: [['prices'], ['cost']],
    query: listQuery({
      costType: Type.Optional(Type.String({ description: 'One type, or several with commas between' })),
      day: Type.Optional(Type.String({ description: '`FROM..TO`; either can be left out' })),
    }),
    answer: paged(CostRow),
    act: (actor, asked) =>
      pageOf(actor, costList, asked, CostRow, (row, money) => ({ ...row, amount: money(row.amount) })),
  }),
  operation({
    id: 'recordCost',
    method: 'post',
    path: '/agreements/{id}/costs',
    about: 'Agreements',
    title: 'Records what a job cost us',
    note: 'Asked again with the same key, it is recorded once.',
    needs: [['jobs']],
    body: Type.Object(costBody, closed),
    answer: Made,
    makes: true,
    act: (actor, { path, body }) => recordCost(actor, { ...(body as object), agreementId: path.id! }),
  }),
  operation({
    id: 'importCosts',
    method: 'post',
    path: '/agreements/{id}/costs.csv',
    about: 'Agreements',
    title: 'Takes a list of costs of an agreement, all of it or nothing',
    needs: [['jobs']],
    bytes: {
      media: ['text/csv', 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'],
      most: LARGEST_FILE,
    },
    answer: Type.Object({ taken: Count, known: Type.Integer({ description: 'Recorded before' }) }),
    makes: true,
    act: (actor, { path, body }) => importCosts(actor, path.id!, body as Uint8Array),
  }),
  fileOperation({
    id: 'jobList',
    method: 'get',
    path: '/agreements/{id}/job.csv',
    about: 'Agreements',
    title: 'A list of a job',
    needs: [['export'], ['cost']],
    query: Type.Object({ list: Type.Optional(Type.String({ description: jobLists.join(', ') })) }),
    files: ['text/csv'],
    act: async (actor, { path, query }) => {
      const list = jobLists.find((each) => each === (query.list ?? 'stages'));
      if (!list) throw noSuch('list');
      return { body: await jobListCsv(actor, path.id!, list), type: csvType, name: `${list}.csv` };
    },
  }),
  fileOperation({
    id: 'draftInvoicePdf',
    method: 'get',
    path: '/agreements/{id}/draft.pdf',
    about: 'Agreements',
    title: 'The draft of an invoice, as the customer would get it',
    needs: [['prices'], ['issue']],
    files: ['application/pdf'],
    act: async (actor, { path }) => ({
      body: await draftInvoicePdf(actor, path.id!),
      type: 'application/pdf',
      name: 'draft-invoice.pdf',
    }),
  }),
  fileOperation({
    id: 'signedStatement',
    method: 'get',
    path: '/agreements/{id}/statements/{sha256}',
    about: 'Agreements',
    title: 'The statement that was signed, as the file whose SHA-256 stands on the certificate',
    needs: [['prices']],
    files: ['application/json'],
    act: async (actor, { path }) => ({
      body: await readSignedStatement(actor, path.id!, path.sha256!),
      type: 'application/json',
      name: `signed-${path.sha256!.slice(0, 12)}.json`,
    }),
  }),
];

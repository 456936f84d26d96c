import Type from 'typebox';
import { CreditInput, DraftInput, IssueInput, MailInput } from '@/model';
import { readInvoice } from '../../billing/invoiceAtDesk';
import { mailInvoice } from '../../billing/invoiceLetter';
import { invoiceList } from '../../billing/invoiceList';
import { creditInvoice, dropDraft, issueInvoice, saveDraft } from '../../billing/issue';
import { invoicePaperPdf, invoicePaperXml, progressStatementPdf } from '../../downloads/papers';
import { Count, Day, Id, Money, orNull, Words } from '../answers';
import { fileOperation, operation, quietOperation } from '../operation';
import { listQuery, paged, pageOf } from '../paging';

const closed = { additionalProperties: false } as const;
const State = Type.String({
  description: 'Paid, open, overdue, credited and so on; a credit note is `credit note`',
});

const InvoiceRow = Type.Object({
  id: Id,
  number: Words,
  what: Words,
  kind: Words,
  agreementId: Id,
  agreementNumber: Count,
  customer: Words,
  issued: Day,
  due: orNull(Day),
  state: State,
  overdue: Type.Boolean(),
  total: Money,
  paid: Money,
  open: Money,
});

const Invoice = Type.Object({
  id: Id,
  number: Words,
  kind: Words,
  title: Words,
  agreementId: Id,
  currency: Words,
  issuedOn: Day,
  dueOn: orNull(Day),
  state: State,
  overdue: Type.Boolean(),
  credits: orNull(Type.String({ ...Id, description: 'Of a credit note: the invoice it takes back' })),
  total: Money,
  paid: Money,
  open: Money,
  lines: Type.Array(Type.Object({ description: Words, net: Money })),
  remark: Words,
});

const Issued = Type.Object({ id: Id, number: Words });
const { invoiceId: _, ...creditBody } = CreditInput.properties;
const { agreementId: ___, ...draftBody } = DraftInput.properties;
const { invoiceId: __, ...mailBody } = MailInput.properties;

const paper = { about: 'Invoices', method: 'get', needs: [['prices']] } as const;

export const invoiceOperations = [
  operation({
    id: 'listInvoices',
    method: 'get',
    path: '/invoices',
    about: 'Invoices',
    title: 'Everything issued',
    needs: [['prices']],
    query: listQuery({
      state: Type.Optional(
        Type.String({ description: '`outstanding`, `overdue`, `settled`; several with commas' }),
      ),
      issued: Type.Optional(Type.String({ description: 'The day, `FROM..TO`; either can be left out' })),
    }),
    answer: paged(InvoiceRow),
    act: (actor, asked) =>
      pageOf(actor, invoiceList, asked, InvoiceRow, (row, money) => ({
        ...row,
        ...{ total: money(row.total), paid: money(row.paid), open: money(row.open) },
      })),
  }),
  operation({
    id: 'issueInvoice',
    method: 'post',
    path: '/invoices',
    about: 'Invoices',
    title: 'Issues an invoice on an agreement; from then on it never changes',
    note: 'With `seen`, the papers the agreement had when it was read, it is issued once: asked again, it is refused.',
    needs: [['issue']],
    body: IssueInput,
    answer: Type.Object({ ...Issued.properties, sentTo: orNull(Words) }),
    makes: true,
    act: (actor, { body }) => issueInvoice(actor, body),
  }),
  quietOperation({
    id: 'keepDraft',
    method: 'put',
    path: '/agreements/{id}/draft',
    about: 'Invoices',
    title: 'Keeps an invoice in work; there is one to an agreement',
    needs: [['issue']],
    body: Type.Object(draftBody, closed),
    act: (actor, { path, body }) => saveDraft(actor, { ...(body as object), agreementId: path.id! }),
  }),
  quietOperation({
    id: 'dropDraft',
    method: 'delete',
    path: '/agreements/{id}/draft',
    about: 'Invoices',
    title: 'Throws the invoice in work away',
    needs: [['issue']],
    act: (actor, { path }) => dropDraft(actor, { agreementId: path.id! }),
  }),
  operation({
    id: 'readInvoice',
    method: 'get',
    path: '/invoices/{id}',
    about: 'Invoices',
    title: 'An invoice or credit note, and what is open of it',
    needs: [['prices']],
    answer: Invoice,
    act: async (actor, { path }) => {
      const found = await readInvoice(actor, path.id!);
      return {
        ...{ id: found.id, number: found.number, kind: found.kind, title: found.title },
        ...{ agreementId: found.agreementId, currency: found.currency, issuedOn: found.issuedOn },
        dueOn: found.kind === 'credit note' ? null : found.dueOn,
        ...{ state: found.state, overdue: found.overdue, credits: found.credits?.id ?? null },
        ...{ total: found.total, paid: found.paid, open: found.open, remark: found.remark },
        lines: found.lines.map(({ description, net }) => ({ description, net })),
      };
    },
  }),
  operation({
    id: 'creditInvoice',
    method: 'post',
    path: '/invoices/{id}/credit',
    about: 'Invoices',
    title: 'Takes an invoice back, in whole or in part, with a credit note',
    needs: [['money']],
    body: Type.Object(creditBody, closed),
    answer: Issued,
    makes: true,
    act: (actor, { path, body }) => creditInvoice(actor, { ...(body as object), invoiceId: path.id! }),
  }),
  operation({
    id: 'sendInvoice',
    method: 'post',
    path: '/invoices/{id}/send',
    about: 'Invoices',
    title: 'Sends an issued invoice, as usual or as it is said',
    needs: [['issue']],
    body: Type.Object(mailBody, closed),
    answer: Type.Object({ to: Words }),
    act: (actor, { path, body }) => mailInvoice(actor, { ...(body as object), invoiceId: path.id! }),
  }),
  fileOperation({
    ...paper,
    id: 'invoicePdf',
    path: '/invoices/{id}/invoice.pdf',
    title: 'An invoice as people read it, with its data inside (Factur-X)',
    files: ['application/pdf'],
    act: async (actor, { path }) => ({
      body: await invoicePaperPdf(actor, path.id!),
      type: 'application/pdf',
      name: 'invoice.pdf',
    }),
  }),
  fileOperation({
    ...paper,
    id: 'invoiceXml',
    path: '/invoices/{id}/invoice.xml',
    title: 'An invoice as an e-invoice (UBL 2.1, EN 16931)',
    files: ['application/xml'],
    act: async (actor, { path }) => ({
      body: await invoicePaperXml(actor, path.id!),
      type: 'application/xml',
      name: 'invoice.xml',
    }),
  }),
  fileOperation({
    ...paper,
    id: 'progressStatement',
    path: '/invoices/{id}/statement.pdf',
    title: 'An invoice with every agreed line beside it',
    files: ['application/pdf'],
    act: async (actor, { path }) => ({
      body: await progressStatementPdf(actor, path.id!),
      type: 'application/pdf',
      name: 'progress-statement.pdf',
    }),
  }),
];

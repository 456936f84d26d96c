import Type from 'typebox';
import { PaymentInput, ReversalInput } from '@/model';
import { receiptPaperPdf } from '../../downloads/papers';
import { paymentList } from '../../payments/paymentList';
import { recordPayment } from '../../payments/payments';
import { reversePayment } from '../../payments/reversal';
import { Day, Id, Made, Money, orNull, Words } from '../answers';
import { fileOperation, operation, quietOperation } from '../operation';
import { listQuery, paged, pageOf } from '../paging';

const PaymentRow = Type.Object({
  id: Id,
  kind: Type.Enum(['payment', 'returned', 'void', 'reinstated', 'refund']),
  day: Day,
  customerId: Id,
  customer: Words,
  agreementId: Id,
  method: Words,
  methodName: orNull(Words),
  text: Type.String({ description: 'Reference or reason' }),
  amount: Type.String({ ...Money, description: 'Below zero: out again' }),
});

const { paymentId: _, ...reversalBody } = ReversalInput.properties;

export const paymentOperations = [
  operation({
    id: 'listPayments',
    method: 'get',
    path: '/payments',
    about: 'Payments',
    title: 'Money in, and out again',
    needs: [['prices']],
    query: listQuery({
      kind: Type.Optional(Type.String({ description: 'One kind, or several with commas between' })),
      day: Type.Optional(Type.String({ description: '`FROM..TO`; either can be left out' })),
    }),
    answer: paged(PaymentRow),
    act: (actor, asked) =>
      pageOf(actor, paymentList, asked, PaymentRow, (row, money) => ({
        ...row,
        amount: money(row.amount),
      })),
  }),
  operation({
    id: 'recordPayment',
    method: 'post',
    path: '/payments',
    about: 'Payments',
    title: 'Records money received; it goes on the open invoices, oldest first, or as it is said',
    note: 'Asked again with the same key, it is recorded once. What looks like a slip is refused as `looks-recorded` until `sure` says it is meant.',
    needs: [['money']],
    body: PaymentInput,
    answer: Made,
    makes: true,
    act: (actor, { body }) => recordPayment(actor, body),
  }),
  quietOperation({
    id: 'reversePayment',
    method: 'post',
    path: '/payments/{id}/reversal',
    about: 'Payments',
    title: 'A payment was returned by the bank, or never came',
    needs: [['money']],
    body: Type.Object(reversalBody, { additionalProperties: false }),
    act: (actor, { path, body }) => reversePayment(actor, { ...(body as object), paymentId: path.id! }),
  }),
  fileOperation({
    id: 'receiptPdf',
    method: 'get',
    path: '/payments/{id}/receipt.pdf',
    about: 'Payments',
    title: 'The receipt of a payment',
    needs: [['prices']],
    files: ['application/pdf'],
    act: async (actor, { path }) => ({
      body: await receiptPaperPdf(actor, path.id!),
      type: 'application/pdf',
      name: 'receipt.pdf',
    }),
  }),
];

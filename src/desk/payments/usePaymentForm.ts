import { Form } from 'antd';
import { useEffect, useState } from 'react';
import { isNothing, minorDigits, parseAmount, showAmount } from '@/core/number';
import { parseMoneyInput } from '@/core/quantity';
import type { Answer, PaymentInput } from '@/model';
import { useKeptFields } from '@/ui/kept/useKeptFields';
import { useSubmit } from '@/ui/useSubmit';
import { useMethods } from './OwnMethods';
import { useDoubts } from './useDoubts';

export type RecordPayment = (input: PaymentInput) => Promise<Answer<{ id: string }>>;

/** What a payment is recorded on: an agreement with its invoices; on an invoice's own page, that one first. */
export interface PaymentPlace {
  readonly agreementId: string;
  readonly currency: string;
  readonly today: string;
  readonly invoices: readonly {
    readonly id: string;
    readonly number: string;
    readonly title: string;
    readonly open: string;
  }[];
  readonly first?: string;
}

type Fields = Pick<PaymentInput, 'amount' | 'receivedOn' | 'reference'> & {
  /** Which of the company’s ways it came. */
  readonly way: string;
  readonly where: 'oldest' | 'hand';
  readonly parts?: Readonly<Record<string, string | undefined>>;
};

/** A payment being recorded: its fields, kept until it is, and what is odd about it; recorded all the same when it is said again. */
export function usePaymentForm(on: PaymentPlace, record: RecordPayment, close: () => void) {
  const [form] = Form.useForm<Fields>();
  const { busy, refused, setRefused, submit } = useSubmit({ form });
  const { doubts, sure, otherwise, forgetDoubts } = useDoubts(() => setRefused(null));
  const [key] = useState(() => crypto.randomUUID());
  const methods = useMethods();
  const open = on.invoices.filter((invoice) => !isNothing(invoice.open));
  const digits = minorDigits(on.currency);

  // An invoice issued a moment ago may arrive while this is open already; what was typed stays.
  const due = open[0]?.open ?? '';
  useEffect(() => {
    if (!form.isFieldTouched('amount')) form.setFieldValue('amount', due);
  }, [form, due]);

  const values: Fields = {
    way: methods.first,
    amount: due,
    receivedOn: on.today,
    reference: '',
    where: 'oldest',
    parts: {},
  };
  const { done, notice } = useKeptFields(`payment on ${on.agreementId}`, form, values);
  const plain = (text: string) => parseMoneyInput(text, digits);
  const finish = ({ where, parts, way, ...fields }: Fields) => {
    const byHand = open.flatMap(({ id }) => {
      const text = parts?.[id] ?? '';
      return text.trim() === '' ? [] : [{ invoiceId: id, amount: plain(text) }];
    });
    const amount = plain(fields.amount);
    return submit(
      () =>
        record({
          ...sure,
          agreementId: on.agreementId,
          ...fields,
          ...methods.recorded(way),
          amount,
          reference: fields.reference ?? '',
          ...(where === 'hand' ? { parts: byHand } : on.first === undefined ? {} : { first: on.first }),
          idempotencyKey: key,
        }),
      {
        said: `${showAmount(parseAmount(amount, digits), digits)} recorded.`,
        then: () => {
          done();
          close();
        },
        otherwise,
      },
    );
  };
  return {
    form,
    values,
    open,
    busy,
    refused,
    doubts,
    notice,
    finish,
    forgetDoubts,
    /** What is typed reads as an amount, or says why not. */
    readable: {
      validator: async (_: unknown, text: string | undefined) => {
        if (text !== undefined && text.trim() !== '') plain(text);
      },
    },
  };
}

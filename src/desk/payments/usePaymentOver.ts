import { Form } from 'antd';
import { useState } from 'react';
import type { readCustomer } from '@/services/customers/customers';
import { notShared, sharePayment } from '@/core/billing';
import { isNothing, minorDigits, moneyOf } from '@/core/number';
import { parseMoneyInput } from '@/core/quantity';
import type { Answer, PaymentOverInput } from '@/model';
import { useSubmit } from '@/ui/useSubmit';
import { useMethods } from './OwnMethods';
import { useDoubts } from './useDoubts';

export type RecordPaymentOver = (input: PaymentOverInput) => Promise<Answer<{ ids: string[] }>>;

/** A customer with their agreements and what is open on them. */
export type Payer = Pick<
  Awaited<ReturnType<typeof readCustomer>>,
  'customer' | 'agreements' | 'owed' | 'today'
>;

interface Fields extends Pick<PaymentOverInput, 'receivedOn' | 'reference'> {
  /** Which of the company’s ways it came. */
  readonly way: string;
  readonly amount: string;
}

/** An amount as it is typed, in plain decimals; null while it cannot be read. */
function readable(text: string, digits: number): string | null {
  try {
    return text.trim() === '' ? null : parseMoneyInput(text, digits);
  } catch {
    return null;
  }
}

/** One sum of a customer being recorded: shared out as it is typed, until somebody says by hand where it goes. */
export function usePaymentOver(
  { customer, agreements, owed, today }: Payer,
  record: RecordPaymentOver,
  close: () => void,
) {
  const [form] = Form.useForm<Fields>();
  const { busy, refused, setRefused, submit } = useSubmit({ form });
  const { doubts, sure, otherwise, forgetDoubts } = useDoubts(() => setRefused(null));
  const [key] = useState(() => crypto.randomUUID());
  const methods = useMethods();
  /** What was said by hand, by agreement; null: it is shared out. */
  const [byHand, setByHand] = useState<Readonly<Record<string, string>> | null>(null);
  const digits = minorDigits(owed.currency);
  const money = moneyOf(digits);
  const first = isNothing(owed.open) ? '' : owed.open;
  const typed = readable(Form.useWatch('amount', form) ?? first, digits);
  const amount = typed === null ? null : money.parse(typed);
  const payable = agreements.map(({ id, open }) => ({
    id,
    invoices: open.map((invoice) => ({ dueOn: invoice.dueOn, open: money.parse(invoice.open) })),
  }));
  const shares = new Map(
    amount === null || amount <= 0n
      ? []
      : sharePayment(amount, payable).map((share) => [share.id, money.write(share.amount)] as const),
  );
  const textOf = (id: string) => (byHand === null ? (shares.get(id) ?? '') : (byHand[id] ?? ''));
  const isWrong = (id: string) => textOf(id).trim() !== '' && readable(textOf(id), digits) === null;
  const parts = agreements.flatMap(({ id }) => {
    const text = readable(textOf(id), digits);
    return text === null || isNothing(text) ? [] : [{ agreementId: id, amount: text }];
  });
  const left =
    amount === null
      ? null
      : notShared(
          amount,
          parts.map((part) => money.parse(part.amount)),
        );
  const finish = ({ way, receivedOn, reference = '' }: Fields) =>
    submit(
      () =>
        record({
          ...sure,
          ...{ customerId: customer.id, receivedOn, reference, parts },
          ...methods.recorded(way),
          amount: typed!,
          idempotencyKey: key,
        }),
      {
        said: `${money.show(amount!)} recorded.`,
        then: close,
        otherwise,
      },
    );
  return {
    form,
    busy,
    refused,
    doubts,
    money,
    payable,
    left,
    values: { amount: first, way: methods.first, receivedOn: today, reference: '' } as Fields,
    textOf,
    isWrong,
    byHand: byHand !== null,
    ready: parts.length > 0 && left === 0n && !agreements.some(({ id }) => isWrong(id)),
    finish,
    forgetDoubts,
    /** What goes on an agreement, by hand; the others stay as they are shown. */
    say: (id: string, text: string) => {
      forgetDoubts();
      setByHand({ ...Object.fromEntries(agreements.map((each) => [each.id, textOf(each.id)])), [id]: text });
    },
    shareOut: () => setByHand(null),
  };
}

export type PaymentOver = ReturnType<typeof usePaymentOver>;

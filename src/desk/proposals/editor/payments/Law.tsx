'use client';

import { Alert } from 'antd';
import type { Amount } from '@/core/number';
import { parseAmount, showAmount } from '@/core/number';
import type { ScheduledPayment } from '@/core/schedule';
import { depositAsked, depositOverLaw, lawInWords } from '@/core/schedule';
import type { CompanyMoney } from '@/model';
import { useEditor } from '../context';

/** Says where the deposit is more than the law of the place allows, and which law that is. */
export function Law({
  money,
  payments,
  total,
  minorDigits,
}: {
  money: CompanyMoney;
  payments: readonly ScheduledPayment[];
  total: Amount;
  minorDigits: number;
}) {
  const { work } = useEditor();
  const over = depositOverLaw(money, depositAsked(payments), total, {
    minorDigits,
    specialOrder: parseAmount(work.document.billing?.specialOrder ?? '0', minorDigits),
  });
  if (!over) return null;
  return (
    <Alert
      type={money.deposit?.blocks ? 'error' : 'warning'}
      className="below"
      title={`The deposit is more than ${over.law.place} allows: at most ${showAmount(over.limit, minorDigits)}, ${lawInWords(over.law)} (${over.law.source}).${
        money.deposit?.blocks ? ' It cannot be sent like this.' : ''
      }`}
    />
  );
}

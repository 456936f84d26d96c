import type { MoneySums } from '@/services/billing/moneySums';
import type { MoneyFigure } from '@/desk/billing/MoneyFigures';

/** What the money page is opened at: invoices of a state, payments, or a sum by agreement. */
export type MoneyPlace =
  'invoices' | 'outstanding' | 'overdue' | 'payments' | 'received' | 'to-bill' | 'held' | 'credit';

/** The sums of the money with the addresses of what they are made of. */
export const moneyFigures = (sums: MoneySums, place: MoneyPlace): MoneyFigure[] => {
  const figure = (name: string, value: string, at: MoneyPlace, address: string, wrong = false) => ({
    ...{ name, value, address, wrong },
    here: place === at,
  });
  return [
    figure('To bill now', sums.toBill, 'to-bill', '/money?show=to-bill'),
    figure('Outstanding', sums.out, 'outstanding', '/money?state=outstanding&sort=due'),
    figure('Overdue', sums.overdue, 'overdue', '/money?state=overdue&sort=due', true),
    figure('Received this month', sums.receivedThisMonth, 'received', `/money/payments?day=${sums.month}..`),
    figure('Retainage held', sums.held, 'held', '/money?show=held'),
    figure('Customer credit', sums.credit, 'credit', '/money?show=credit'),
  ];
};

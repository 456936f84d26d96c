import type { ProposalDocument } from '@/model';
import type { Amount } from '../number';
import { moneyOf, negateAmount, showDecimal, showPercent, sumAmounts } from '../number';
import type { Figures } from '../price';
import type { Step } from './line';

/** How the sections come to the total, step by step. */
export function whyTotal(document: ProposalDocument, figures: Figures): Step[] {
  const money = moneyOf(figures.minorDigits);
  const minus = (value: Amount) => money.show(negateAmount(value));
  const inside = document.tax?.inside === true && !document.tax.exempt;
  const discounts = (discount: ProposalDocument['discount']) =>
    discount && 'percent' in discount ? `${discount.percent} % of what is there` : 'an amount';
  const steps: Step[] = figures.sections
    .filter(({ included }) => included)
    .map(({ section, amount, discount, net }) => ({
      what: section.title,
      how:
        discount === 0n
          ? 'its lines together'
          : `its lines together ${money.show(amount)}, less ${money.show(discount)} (${discounts(section.discount)})`,
      comes: money.show(net),
    }));
  if (figures.discount !== 0n)
    steps.push({
      what: 'Discount on the whole',
      how: discounts(document.discount),
      comes: minus(figures.discount),
    });
  steps.push({
    what: 'Price',
    how: `cost ${money.show(figures.cost)}, profit and overhead ${money.show(figures.profit)}${
      figures.margin === null ? '' : `, a margin of ${showPercent(figures.margin)} %`
    }`,
    comes: money.show(figures.subtotal),
  });
  for (const { fee, amount } of figures.fees)
    steps.push({
      what: fee.name,
      how:
        'fixed' in fee.amount
          ? 'a fixed fee'
          : `${fee.amount.percent} % of the price${fee.amount.most === undefined ? '' : `, at most ${showDecimal(fee.amount.most)}`}`,
      comes: money.show(amount),
    });
  if (document.tax?.exempt)
    steps.push({ what: 'Tax', how: `none: ${document.tax.exempt.reason}`, comes: money.show(0n as Amount) });
  else
    for (const tax of figures.taxes.filter(({ base }) => base !== 0n))
      steps.push({
        what: tax.name,
        how: `${tax.percent} % on ${money.show(tax.base)}${inside ? ', inside the prices' : ''}${
          document.tax?.rounding === 'line' ? ', rounded on every line' : ''
        }`,
        comes: money.show(tax.amount),
      });
  const fees = sumAmounts(figures.fees.map(({ amount }) => amount));
  steps.push({
    what: 'Total',
    how: inside
      ? `price and fees, including tax`
      : `${money.show(figures.subtotal)} + ${money.show(fees)} + ${money.show(figures.taxTotal)}`,
    comes: money.show(figures.total),
  });
  return steps;
}

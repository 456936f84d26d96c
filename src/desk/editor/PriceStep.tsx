'use client';

import { App, Segmented } from 'antd';
import { useState } from 'react';
import { parseQuantity } from '@/core/quantity';
import { ONE, showAmount, showPercent, writeFixed } from '@/core/number';
import type { Discount, Load } from '@/model';
import { Cell } from './sheet/Cell';
import { AreaFields } from './AreaFields';
import { useEditor } from './context';

const bases: Record<Load['base'], string> = {
  direct: 'of direct cost',
  running: 'of the running amount',
  price: 'of the price',
};

/** A percentage as typed, from 0 to `most`. */
export function readPercent(text: string, most = 999): string {
  const value = parseQuantity(text.replace(/%/g, ''), 4);
  if (value < 0n || value > BigInt(most) * ONE) throw new Error(`This percentage goes from 0 to ${most}.`);
  return writeFixed(value);
}

/** A money amount as typed, not negative, in the decimals of the currency. */
export function readMoney(text: string, minorDigits: number): string {
  const value = parseQuantity(text, minorDigits);
  if (value < 0n) throw new Error('Type an amount of 0 or more.');
  return writeFixed(value);
}

type Unit = 'amount' | 'percent';

/** From cost to price: loads in their order, the discount on the whole, fees and tax; and each section beside it. */
export function PriceStep() {
  const { work, figures, readOnly } = useEditor();
  const { document: proposal, edit } = work;
  const discount = proposal.discount;
  const { message } = App.useApp();
  const [wanted, setWanted] = useState<Unit>('amount');
  const unit: Unit = discount ? ('percent' in discount ? 'percent' : 'amount') : wanted;
  /** `5%` is a percentage whatever the switch says. */
  const readDiscount = (text: string, as: Unit): Discount =>
    as === 'percent' || text.includes('%')
      ? { percent: readPercent(text, 100) }
      : { amount: readMoney(text, figures.minorDigits) };
  const setDiscount = (next: Discount | null) =>
    edit((draft) => {
      if (next === null) delete draft.discount;
      else draft.discount = next;
    });
  return (
    <div className="step">
      <AreaFields />
      <h2>Sections</h2>
      <table className="table-plain">
        <thead>
          <tr>
            <th>Section</th>
            <th className="amount">Cost</th>
            <th className="amount">Price</th>
            <th className="amount">Margin</th>
          </tr>
        </thead>
        <tbody>
          {figures.sections.map(({ section, cost, net, margin }) => (
            <tr key={section.id}>
              <td>{section.title}</td>
              <td className="amount">{showAmount(cost, figures.minorDigits)}</td>
              <td className="amount">{showAmount(net, figures.minorDigits)}</td>
              <td className="amount">{margin === null ? '' : `${showPercent(margin)} %`}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2>From cost to price</h2>
      <table className="table-plain">
        <tbody>
          {proposal.loads.map((load, i) => (
            <tr key={load.id}>
              <td>{load.name}</td>
              <td className="cell-narrow">
                <Cell
                  name="percent"
                  label={`${load.name}, per cent`}
                  align="right"
                  shown={load.percent}
                  readOnly={readOnly}
                  commit={(text) => {
                    const percent = readPercent(text, load.base === 'price' ? 99 : 999);
                    edit((draft) => {
                      draft.loads[i]!.percent = percent;
                    });
                  }}
                />
              </td>
              <td>
                % {bases[load.base]}
                {load.costTypes ? `, on ${load.costTypes.join(' and ')}` : ''}
              </td>
              <td className="amount">{showAmount(figures.loads[i]!.amount, figures.minorDigits)}</td>
            </tr>
          ))}
          <tr>
            <td>Discount on the whole</td>
            <td className="cell-narrow">
              <Cell
                name="discount"
                label="Discount on the whole"
                align="right"
                shown={discount ? ('percent' in discount ? discount.percent : discount.amount) : ''}
                placeholder="none"
                readOnly={readOnly}
                commit={(text) => setDiscount(text.trim() === '' ? null : readDiscount(text, unit))}
              />
            </td>
            <td>
              <Segmented<Unit>
                size="small"
                disabled={readOnly}
                options={[
                  { value: 'amount', label: proposal.currency },
                  { value: 'percent', label: '%' },
                ]}
                value={unit}
                onChange={(next) => {
                  // The number stays, in the other unit, where it can.
                  try {
                    if (discount)
                      setDiscount(
                        readDiscount('percent' in discount ? discount.percent : discount.amount, next),
                      );
                    setWanted(next);
                  } catch (error) {
                    message.error((error as Error).message);
                  }
                }}
              />
            </td>
            <td className="amount">
              {figures.discount === 0n ? '' : showAmount(-figures.discount as never, figures.minorDigits)}
            </td>
          </tr>
        </tbody>
      </table>
      {proposal.fees.length > 0 && (
        <>
          <h2>Fees</h2>
          <table className="table-plain">
            <tbody>
              {proposal.fees.map((fee, i) => (
                <tr key={fee.id}>
                  <td>{fee.name}</td>
                  <td className="cell-narrow">
                    <Cell
                      name="fee"
                      label={fee.name}
                      align="right"
                      shown={'fixed' in fee.amount ? fee.amount.fixed : fee.amount.percent}
                      readOnly={readOnly}
                      commit={(text) => {
                        const amount =
                          'fixed' in fee.amount
                            ? { fixed: readMoney(text, figures.minorDigits) }
                            : { percent: readPercent(text) };
                        edit((draft) => {
                          draft.fees[i]!.amount = amount;
                        });
                      }}
                    />
                  </td>
                  <td>{'fixed' in fee.amount ? proposal.currency : '% of the price'}</td>
                  <td className="amount">{showAmount(figures.fees[i]!.amount, figures.minorDigits)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      <h2>Tax</h2>
      <table className="table-plain">
        <tbody>
          {figures.taxes.map((tax) => (
            <tr key={`${tax.taxClass}.${tax.component}`}>
              <td>{tax.name}</td>
              <td className="amount">{tax.percent} %</td>
              <td className="soft">on {showAmount(tax.base, figures.minorDigits)}</td>
              <td className="amount">{showAmount(tax.amount, figures.minorDigits)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

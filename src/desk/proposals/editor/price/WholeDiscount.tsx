import { App, Segmented } from 'antd';
import { useState } from 'react';
import { negateAmount, showAmount } from '@/core/number';
import { withReason } from '@/core/editing';
import { readDiscount } from '@/core/quantity';
import { Cell } from '@/ui/live/Cell';
import { useEditor } from '../context';

/** The widths of a table a discount on the whole stands in. */
export const DiscountColumns = () => (
  <colgroup>
    <col />
    <col style={{ width: 122 }} />
    <col style={{ width: 196 }} />
    <col style={{ width: 92 }} />
    <col style={{ width: 92 }} />
  </colgroup>
);

/** The discount on the whole: an amount or a share; `5%` is a share whatever the switch says. */
export function WholeDiscount() {
  const { work, figures, readOnly } = useEditor();
  const { document: proposal, edit } = work;
  const { discount } = proposal;
  const { message } = App.useApp();
  const [wanted, setWanted] = useState<'amount' | 'percent'>('amount');
  const unit = discount ? ('percent' in discount ? 'percent' : 'amount') : wanted;
  const number = discount ? ('percent' in discount ? discount.percent : discount.amount) : '';
  const put = (text: string, as: typeof unit) => {
    const next = readDiscount(
      as === 'percent' && text.trim() !== '' ? `${text}%` : text,
      figures.minorDigits,
    );
    edit((draft) => {
      if (next === null) delete draft.discount;
      else draft.discount = withReason(next, draft.discount?.reason ?? '');
    });
  };
  return (
    <tr>
      <td>
        <div className="discount-why">
          <span>Discount on the whole</span>
          {discount && (
            <Cell
              name="discount-reason"
              label="Why the discount, as the customer reads it"
              shown={discount.reason ?? ''}
              placeholder="why: the customer reads it"
              readOnly={readOnly}
              commit={(text) =>
                edit((draft) => {
                  if (draft.discount) draft.discount = withReason(draft.discount, text);
                })
              }
            />
          )}
        </div>
      </td>
      <td className="cell-narrow">
        <Cell
          name="discount"
          label="Discount on the whole"
          align="right"
          shown={number}
          placeholder="none"
          readOnly={readOnly}
          commit={(text) => put(text, unit)}
        />
      </td>
      <td>
        <Segmented<'amount' | 'percent'>
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
              if (discount) put(number, next);
              setWanted(next);
            } catch (error) {
              message.error((error as Error).message);
            }
          }}
        />
      </td>
      <td className="amount">
        {figures.discount === 0n ? '' : showAmount(negateAmount(figures.discount), figures.minorDigits)}
      </td>
      <td />
    </tr>
  );
}

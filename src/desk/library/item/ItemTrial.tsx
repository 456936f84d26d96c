import { useMemo, useState } from 'react';
import type { Fixed } from '@/core/number';
import { minorDigits, showAmount, showQuantity, showUnitAmount, writeFixed } from '@/core/number';
import { itemUnitCost } from '@/core/price';
import { parseQuantity } from '@/core/quantity';
import type { ItemInput, UsualTerms } from '@/model';
import { Cell } from '@/ui/live/Cell';
import { tryItem } from './itemDraft';

/** What a quantity of the item comes to, computed while the item is typed. */
export function ItemTrial({
  item,
  usual,
  currency,
}: {
  readonly item: ItemInput;
  readonly usual: UsualTerms;
  readonly currency: string;
}) {
  const [quantity, setQuantity] = useState('10');
  const { figures, ordered } = useMemo(
    () => tryItem(item, quantity, usual, currency),
    [item, quantity, usual, currency],
  );
  const digits = minorDigits(currency);
  return (
    <aside className="panel trial" aria-label="Trial">
      <h2>Trial</h2>
      <dl className="trial-inputs">
        <div>
          <dt>Quantity</dt>
          <dd>
            <Cell
              name="trial"
              label="Quantity tried"
              align="right"
              shown={quantity}
              commit={(typed) => setQuantity(writeFixed(parseQuantity(typed)))}
            />
          </dd>
        </div>
      </dl>
      <dl className="pairs">
        <dt>Unit cost</dt>
        <dd>{showUnitAmount(itemUnitCost(item.costs))}</dd>
        {(item.waste ?? item.pack) !== undefined && (
          <>
            <dt>Material ordered</dt>
            <dd>{showQuantity(ordered as Fixed)}</dd>
          </>
        )}
        <dt>Cost</dt>
        <dd>{showAmount(figures.costAmount, digits)}</dd>
        <dt>Unit price</dt>
        <dd>{showUnitAmount(figures.unitPrice)}</dd>
        <dt className="sum">Price{figures.minimumApplied ? ', minimum charge' : ''}</dt>
        <dd className="sum">{showAmount(figures.net, digits)}</dd>
      </dl>
    </aside>
  );
}

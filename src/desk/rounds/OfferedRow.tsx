'use client';

import { Checkbox, Radio, Select } from 'antd';
import type { OfferedChange } from '@/core/editing';
import { showDecimal } from '@/core/number';
import { parseQuantity } from '@/core/quantity';
import { writeFixed } from '@/core/number';
import type { SelectionAlternative, SelectionExtra } from '@/model';
import { PictureField } from '../PictureField';
import { Cell } from '../../ui/live/Cell';

type Count = NonNullable<SelectionExtra['quantity']>;

interface OfferedRowProps {
  readonly offered: SelectionAlternative | SelectionExtra;
  readonly kind: 'alternative' | 'extra';
  /** What it comes to, as shown. */
  readonly amount: string;
  readonly unit: string;
  readonly suggested: boolean;
  readonly readOnly: boolean;
  readonly suggest: () => void;
  readonly set: (change: OfferedChange) => void;
  readonly remove: () => void;
  /** How many of an extra the customer may take. */
  readonly count?: Count | null;
  readonly setCount?: (count: Count | null) => void;
}

/** One thing that can be chosen in a round: its name, its price and what that is for. */
export function OfferedRow(props: OfferedRowProps) {
  const { offered, kind, amount, unit, suggested, readOnly, suggest, set, remove, count, setCount } = props;
  const per = count ? 'count' : offered.per;
  return (
    <tr className="offered">
      <td className="choice-pick">
        {kind === 'alternative' ? (
          <Radio
            disabled={readOnly}
            checked={suggested}
            aria-label={`Suggest ${offered.name}`}
            onChange={suggest}
          />
        ) : (
          <Checkbox
            disabled={readOnly}
            checked={suggested}
            aria-label={`${offered.name} is in unless left out`}
            onChange={suggest}
          />
        )}
      </td>
      <td>
        <Cell
          name="offered-name"
          label={kind === 'extra' ? 'Extra' : 'Alternative'}
          shown={offered.name}
          readOnly={readOnly}
          commit={(name) => set({ name })}
        />
        <div className="offered-detail">
          <Cell
            name="offered-detail"
            label={`${offered.name}: more for the customer`}
            shown={offered.detail ?? ''}
            placeholder="more for the customer"
            readOnly={readOnly}
            commit={(detail) => set({ detail })}
          />
        </div>
      </td>
      <td className="choice-picture">
        <PictureField
          of={offered.name}
          picture={offered.picture}
          put={(picture) => set({ picture })}
          readOnly={readOnly}
        />
      </td>
      <td className="offered-price">
        <Cell
          name="offered-price"
          label={`Price of ${offered.name}`}
          align="right"
          shown={showDecimal(offered.price)}
          typed={offered.price}
          readOnly={readOnly}
          commit={(price) => set({ price })}
        />
        <Select
          size="small"
          popupMatchSelectWidth={false}
          aria-label={`What the price of ${offered.name} is for`}
          disabled={readOnly}
          value={per}
          onChange={(value: string) => {
            if (value === 'count') {
              setCount?.({ minimum: '1', maximum: '10', step: '1' });
              return;
            }
            setCount?.(null);
            set({ per: value as 'unit' | 'whole' });
          }}
          options={[
            { value: 'whole', label: 'for all of it' },
            ...(unit !== 'job' || per === 'unit'
              ? [{ value: 'unit', label: unit === 'each' ? 'for each' : `per ${unit}` }]
              : []),
            ...(kind === 'extra' ? [{ value: 'count', label: 'by number' }] : []),
          ]}
        />
        {count && (
          <span className="offered-most">
            up to
            <Cell
              name="offered-most"
              label={`Most of ${offered.name}`}
              align="right"
              shown={count.maximum}
              readOnly={readOnly}
              commit={(typed) => setCount?.({ ...count, maximum: writeFixed(parseQuantity(typed)) })}
            />
          </span>
        )}
      </td>
      <td className="amount">{amount}</td>
      <td className="row-more">
        {!readOnly && (
          <button type="button" className="grip" aria-label={`Remove ${offered.name}`} onClick={remove}>
            ×
          </button>
        )}
      </td>
    </tr>
  );
}

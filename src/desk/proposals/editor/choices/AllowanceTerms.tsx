import { Checkbox, Select } from 'antd';
import { readFee, rulesInWords } from '@/core/allowance';
import { setAllowance } from '@/core/editing';
import { showDecimal, writeFixed } from '@/core/number';
import { parseQuantity } from '@/core/quantity';
import type { Allowance, Line } from '@/model';
import { unitName } from '@/model';
import { Cell } from '@/ui/live/Cell';
import { useEditor, useEditorActions } from '../context';

/** What is set aside, our fee, how the difference is settled, and what the customer reads of it. */
export function AllowanceTerms({ line, allowance }: { readonly line: Line; readonly allowance: Allowance }) {
  const { work, readOnly } = useEditor();
  const { seesCost } = useEditorActions();
  const unit = unitName(line.unit);
  const put = (next: Allowance) => work.edit((draft) => setAllowance(draft, line.id, next));
  const change = (next: Partial<Allowance>) => put({ ...allowance, ...next });
  const { feeOnRest, ...withoutFeeOnRest } = allowance;
  return (
    <div className="choice-terms">
      <label className="limit">
        to spend {unit === 'each' ? 'for each' : unit === 'job' ? 'in all' : `per ${unit}`}
        <Cell
          name="allowance-amount"
          label={`${line.description}: to spend per ${unit}`}
          align="right"
          shown={showDecimal(allowance.amount)}
          typed={allowance.amount}
          readOnly={readOnly}
          commit={(text) => change({ amount: writeFixed(parseQuantity(text, 2)) })}
        />
      </label>
      {/* What an allowance at our price leaves is inside the price: only who sees cost reads it. */}
      {(seesCost || allowance.rule !== 'at our price') && (
        <label className="limit">
          our fee, % of price
          <Cell
            name="allowance-fee"
            label={`${line.description}: our fee in percent of the price`}
            align="right"
            shown={allowance.fee}
            readOnly={readOnly}
            commit={(text) => change({ fee: readFee(text) })}
          />
        </label>
      )}
      <Select
        size="small"
        className="allowance-rule"
        popupMatchSelectWidth={false}
        aria-label={`${line.description}: how the difference is settled`}
        disabled={readOnly}
        value={allowance.rule as string}
        onChange={(rule) => put({ ...withoutFeeOnRest, rule: rule as Allowance['rule'] })}
        options={Object.entries(rulesInWords).map(([value, label]) => ({ value, label }))}
      />
      {allowance.rule !== 'at our price' && (
        <Select<Allowance['shows']>
          size="small"
          popupMatchSelectWidth={false}
          aria-label={`${line.description}: the customer reads`}
          disabled={readOnly}
          value={allowance.shows}
          onChange={(shows) => change({ shows })}
          options={[
            { value: 'price', label: 'they read one price, fee inside' },
            { value: 'spend', label: 'they read what to spend, and the fee' },
          ]}
        />
      )}
      {allowance.rule === 'at cost, fee on the excess' && (
        <Checkbox
          disabled={readOnly}
          checked={feeOnRest === true}
          onChange={({ target }) =>
            put(target.checked ? { ...withoutFeeOnRest, feeOnRest: true } : withoutFeeOnRest)
          }
        >
          a rest gives its fee back too
        </Checkbox>
      )}
    </div>
  );
}

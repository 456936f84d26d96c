import { Checkbox, Input, Select } from 'antd';
import { writeAmount } from '@/core/number';
import type { Spread, Target } from '@/core/shaping';
import { useEditor } from '../context';
import type { Shape } from './useShape';

const kinds: Record<Target['kind'], string> = {
  total: 'a total of',
  margin: 'a margin of',
  markup: 'a markup of',
};
const spreads: Record<Spread, string> = {
  cost: 'each line by its cost',
  price: 'each line by its price now',
  even: 'the same amount on every line',
};
const optionsOf = <Key extends string>(words: Record<Key, string>) =>
  Object.entries<string>(words).map(([value, label]) => ({ value: value as Key, label }));

/** To what the price is shaped, and which lines bear it. */
export function ShapeTarget({ shape }: { readonly shape: Shape }) {
  const { figures, selected } = useEditor();
  const { kind, text, spread, onlySelected, atCost } = shape;
  return (
    <div className="choice-terms">
      <label>
        to{' '}
        <Select<Target['kind']>
          size="small"
          popupMatchSelectWidth={false}
          aria-label="Shape to"
          value={kind}
          onChange={shape.setKind}
          options={optionsOf(kinds)}
        />
      </label>
      <Input
        className="wide-amount"
        aria-label="Target"
        inputMode="decimal"
        placeholder={kind === 'total' ? writeAmount(figures.total, figures.minorDigits) : 'percent'}
        value={text}
        onChange={({ target }) => shape.setText(target.value)}
      />
      <Select<Spread>
        size="small"
        popupMatchSelectWidth={false}
        aria-label="Spread over"
        value={spread}
        onChange={shape.setSpread}
        options={optionsOf(spreads)}
      />
      {selected.size > 0 ? (
        <Checkbox checked={onlySelected} onChange={({ target }) => shape.setOnlySelected(target.checked)}>
          only on the {selected.size} selected on the sheet
        </Checkbox>
      ) : (
        <span className="soft">Select lines on the sheet (Ctrl Space) to shape only those.</span>
      )}
      {onlySelected && selected.size > 0 && (
        <Checkbox checked={atCost} onChange={({ target }) => shape.setAtCost(target.checked)}>
          the others at cost
        </Checkbox>
      )}
    </div>
  );
}

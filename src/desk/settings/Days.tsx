import { Input } from 'antd';
import { useState } from 'react';

/** A number of days; what is no number, or out of bounds, stays in the field and is not taken. */
export function Days({
  name,
  value,
  least,
  disabled,
  change,
}: {
  readonly name: string;
  readonly value: number;
  readonly least: number;
  readonly disabled: boolean;
  readonly change: (days: number) => void;
}) {
  const [text, setText] = useState(String(value));
  return (
    <Input
      aria-label={name}
      disabled={disabled}
      className="wide-figure"
      inputMode="numeric"
      value={text}
      status={Number(text.replace('−', '-')) === value ? '' : 'error'}
      onChange={({ target }) => {
        setText(target.value);
        const days = target.value.trim() === '' ? Number.NaN : Number(target.value.replace('−', '-'));
        if (Number.isInteger(days) && days >= least && days <= 365) change(days);
      }}
    />
  );
}

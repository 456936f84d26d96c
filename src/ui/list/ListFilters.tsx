'use client';

import { Checkbox, Input, Select, Tag } from 'antd';
import { useState } from 'react';
import type { ListFilter, ListSpec, ListState } from '@/core/lists';
import { readRange } from '@/core/lists';
import { parseSignedMoneyInput } from '@/core/quantity';
import { DayRangePicker } from '../fields/DayPicker';

const nothing = { from: null, to: null };

/** No currency has more decimals. */
const PLACES = 4;

/** One end of a range of amounts; taken when the field is left or Enter is pressed. */
function AmountEnd({
  label,
  value,
  take,
}: {
  readonly label: string;
  readonly value: string | null;
  readonly take: (value: string | null) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const commit = () => {
    if (text === null) return;
    try {
      take(text.trim() === '' ? null : parseSignedMoneyInput(text, PLACES));
      setText(null);
      setWrong(false);
    } catch {
      setWrong(true);
    }
  };
  return (
    <Input
      className="list-range-end"
      aria-label={label}
      placeholder={label}
      inputMode="decimal"
      {...(wrong ? { status: 'error' as const } : {})}
      value={text ?? value ?? ''}
      onChange={({ target }) => setText(target.value)}
      onBlur={commit}
      onPressEnter={commit}
    />
  );
}

function FilterField({
  filter,
  values,
  set,
}: {
  readonly filter: ListFilter;
  readonly values: readonly string[];
  readonly set: (values: readonly string[]) => void;
}) {
  if (filter.kind === 'choice')
    return (
      <Select
        mode="multiple"
        className="list-filter"
        aria-label={filter.label}
        placeholder={filter.label}
        maxTagCount={1}
        allowClear
        showSearch={{ optionFilterProp: 'label' }}
        value={[...values]}
        options={[...filter.options]}
        onChange={set}
      />
    );
  if (filter.kind === 'flag')
    return (
      <Checkbox checked={values.length > 0} onChange={({ target }) => set(target.checked ? ['1'] : [])}>
        {filter.label}
      </Checkbox>
    );
  if (filter.kind === 'thing')
    return values.length === 0 ? null : (
      <Tag closable onClose={() => set([])} className="list-thing">
        {filter.label}
      </Tag>
    );
  const range = readRange(filter.kind, values[0] ?? '') ?? nothing;
  const put = ({ from, to }: { from: string | null; to: string | null }) =>
    set(from === null && to === null ? [] : [`${from ?? ''}..${to ?? ''}`]);
  if (filter.kind === 'days')
    return <DayRangePicker className="list-days" label={filter.label} value={range} onChange={put} />;
  return (
    <span className="list-range">
      <AmountEnd label={`${filter.label} from`} value={range.from} take={(from) => put({ ...range, from })} />
      <AmountEnd label={`${filter.label} to`} value={range.to} take={(to) => put({ ...range, to })} />
    </span>
  );
}

/** Everything a list can be filtered by. */
export const ListFilters = ({
  spec,
  state,
  go,
}: {
  readonly spec: ListSpec;
  readonly state: ListState;
  readonly go: (next: Partial<ListState>) => void;
}) =>
  spec.filters.map((filter) => (
    <FilterField
      key={filter.key}
      filter={filter}
      values={state.filters[filter.key] ?? []}
      set={(values) => go({ filters: { ...state.filters, [filter.key]: values } })}
    />
  ));

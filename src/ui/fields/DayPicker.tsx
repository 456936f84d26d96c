'use client';

import { App } from 'antd';
import generatePicker from 'antd/es/date-picker/generatePicker';
import dayjsConfig from '@rc-component/picker/generate/dayjs';
import type { Dayjs } from 'dayjs';
import dayjs from 'dayjs';
import type { ChangeEvent, InputHTMLAttributes, Ref, SyntheticEvent } from 'react';
import { useLayoutEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { typedDay } from '@/core/calendar';
import { showDate } from '@/core/text/dates';

/** How dates are written in a field; what is typed is read in any usual way (core/calendar/typedDay). */
const FORMAT = 'D MMM YYYY';

const Picker = generatePicker<Dayjs>({
  ...dayjsConfig,
  locale: {
    ...dayjsConfig.locale,
    parse: (locale, text, formats) => {
      const day = typedDay(text, now());
      return day === null ? dayjsConfig.locale.parse(locale, text, formats) : dayjs(day);
    },
  },
});

const read = (day: string | null | undefined): Dayjs | null => (day ? dayjs(day) : null);
const write = (day: Dayjs | null | undefined): string | null => (day ? day.format('YYYY-MM-DD') : null);

const now = (): string => dayjs().format('YYYY-MM-DD');

/**
 * The text of a date field. What is typed is held until the field is left or Enter is pressed: half of a date (`1/5` of
 * `1/5/2026`) is a date too, and taken at once it would be written over what is being typed.
 */
function HeldText(props: InputHTMLAttributes<HTMLInputElement> & { readonly ref?: Ref<HTMLInputElement> }) {
  const { value, onChange } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const [seen, setSeen] = useState(value);
  if (seen !== value) {
    // A day was picked, or taken: it stands instead of what was typed.
    setSeen(value);
    setTyped(null);
  }
  // What the picker does next it does with what was just taken.
  const now = useRef(props);
  useLayoutEffect(() => {
    now.current = props;
  });
  const take = (event: SyntheticEvent<HTMLInputElement>) => {
    if (typed === null) return;
    flushSync(() => {
      setTyped(null);
      onChange?.(event as ChangeEvent<HTMLInputElement>);
    });
  };
  return (
    <input
      {...props}
      value={typed ?? value}
      onChange={(event) => {
        if (event.target.value !== '') return setTyped(event.target.value);
        setTyped(null);
        onChange?.(event);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === 'Tab') take(event);
        if (event.key === 'Escape') setTyped(null);
        now.current.onKeyDown?.(event);
      }}
      onBlur={(event) => {
        take(event);
        now.current.onBlur?.(event);
      }}
    />
  );
}

const parts = { input: HeldText };

/** A business date (YYYY-MM-DD), picked or typed: `12/5`, `5 Dec`, `+14`. */
export function DayPicker({
  value,
  onChange,
  min,
  max,
  label,
  placeholder = '12/5 or +14',
  ...rest
}: {
  readonly value?: string | null;
  readonly onChange?: (day: string | null) => void;
  /** The first and the last day that can be picked. */
  readonly min?: string;
  readonly max?: string;
  readonly label?: string;
  readonly placeholder?: string;
  readonly id?: string;
  readonly disabled?: boolean;
  readonly allowClear?: boolean;
  readonly size?: 'small' | 'middle' | 'large';
  readonly className?: string;
  readonly style?: React.CSSProperties;
}) {
  const { message } = App.useApp();
  const outside = (day: string) => (min !== undefined && day < min) || (max !== undefined && day > max);
  /** The field goes back to the day that counts; why what was typed does not, is said. */
  const tell = (typed: string) => {
    if (typed.trim() === '') return;
    const day = typedDay(typed, now());
    if (day !== null && !outside(day)) return;
    const stays = value ? ` It stays ${showDate(value)}.` : '';
    void message.warning(
      day === null
        ? `“${typed.slice(0, 40)}” is no date: type 12/5, 5 Dec or +14.${stays}`
        : `${showDate(day)} cannot be chosen here.${stays}`,
    );
  };
  return (
    <Picker
      {...rest}
      {...(label === undefined ? {} : { 'aria-label': label })}
      components={parts}
      format={FORMAT}
      placeholder={placeholder}
      needConfirm={false}
      value={read(value)}
      disabledDate={(day) => outside(write(day)!)}
      onChange={(day) => onChange?.(write(day as Dayjs | null))}
      onBlur={({ target }) => tell((target as HTMLInputElement).value)}
      // Enter takes the day; it does not send the form the field stands in.
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.preventDefault();
      }}
    />
  );
}

/** Two business dates, each of which may be open. */
export function DayRangePicker({
  value,
  onChange,
  label,
  className,
}: {
  readonly value: { readonly from: string | null; readonly to: string | null };
  readonly onChange: (range: { from: string | null; to: string | null }) => void;
  readonly label: string;
  readonly className?: string;
}) {
  return (
    <Picker.RangePicker
      {...(className === undefined ? {} : { className })}
      aria-label={label}
      components={parts}
      format={FORMAT}
      placeholder={[`${label} from`, 'to']}
      needConfirm={false}
      allowEmpty={[true, true]}
      value={[read(value.from), read(value.to)]}
      onChange={(range) => onChange({ from: write(range?.[0]), to: write(range?.[1]) })}
    />
  );
}

'use client';

import { App } from 'antd';
import generatePicker from 'antd/es/date-picker/generatePicker';
import dayjsConfig from '@rc-component/picker/generate/dayjs';
import type { Dayjs } from 'dayjs';
import dayjs from 'dayjs';
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
      format={FORMAT}
      placeholder={[`${label} from`, 'to']}
      needConfirm={false}
      allowEmpty={[true, true]}
      value={[read(value.from), read(value.to)]}
      onChange={(range) => onChange({ from: write(range?.[0]), to: write(range?.[1]) })}
    />
  );
}

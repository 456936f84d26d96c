import type { InputRef } from 'antd';
import { App, Button, Input, Select } from 'antd';
import { useRef, useState } from 'react';
import type { Job } from '@/services/jobCosting/jobReport';
import { labourAmount } from '@/core/importing';
import { minorDigits, showAmount, writeFixed } from '@/core/number';
import { parseMoneyInput, parseQuantity } from '@/core/quantity';
import { costTypeName } from '@/core/text/names';
import type { CostInput, CostType } from '@/model';
import { costTypes } from '@/model';
import { DayPicker } from '@/ui/fields/DayPicker';
import { useKeptDraft } from '@/ui/kept/useKeptDraft';
import { useCostFile } from './CostFile';
import { CostPlace, placeOf } from './CostPlace';
import type { JobActions } from './jobActions';
import { UnrecordedCosts } from './UnrecordedCosts';
import type { Unrecorded } from './useCostsBeingRecorded';
import { useCostsBeingRecorded } from './useCostsBeingRecorded';

/** What stands in the row. */
interface CostRow {
  readonly what: string;
  readonly spentOn: string;
  readonly costType: CostType;
  readonly place: string;
  readonly supplier: string;
  readonly amount: string;
  readonly hours: string;
  readonly rate: string;
}

/** Hours and rates as they are sent. */
const HOURS_PLACES = 3;
const RATE_PLACES = 4;

/** A typed number as it is sent, or null where it is none. */
const numberOf = (text: string, places: number): string | null => {
  try {
    return writeFixed(parseQuantity(text, places));
  } catch {
    return null;
  }
};

const isByHour = ({ costType }: CostRow): boolean => costType === 'labour';

/** What the hours come to at the rate while they are typed; nothing while either is no number. */
function labourOf(row: CostRow, digits: number): string {
  const hours = numberOf(row.hours, HOURS_PLACES);
  const rate = numberOf(row.rate, RATE_PLACES);
  return isByHour(row) && hours !== null && rate !== null
    ? showAmount(labourAmount(hours, rate, digits), digits)
    : '';
}

/** @throws Error in words for what cannot be read */
const readFigures = (row: CostRow, digits: number): Pick<CostInput, 'hours' | 'rate' | 'amount'> =>
  isByHour(row) && row.hours.trim() !== ''
    ? {
        hours: writeFixed(parseQuantity(row.hours, HOURS_PLACES)),
        rate: writeFixed(parseQuantity(row.rate, RATE_PLACES)),
      }
    : { amount: parseMoneyInput(row.amount, digits) };

/** Records a cost in one row; date, type and place stay for the next. Labour by the hour is hours times rate. */
export function CostForm({ job, record }: { readonly job: Job; readonly record: JobActions['record'] }) {
  const { message } = App.useApp();
  const first = useRef<InputRef>(null);
  const digits = minorDigits(job.currency);
  const [row, setRow] = useState<CostRow>({
    ...{ what: '', spentOn: job.today, costType: 'material', place: '' },
    ...{ supplier: '', amount: '', hours: '', rate: '' },
  });
  const type = (patch: Partial<CostRow>) => setRow((before) => ({ ...before, ...patch }));
  const costs = useCostsBeingRecorded(record);
  const file = useCostFile(job.id);
  const { unrecorded } = costs;
  useKeptDraft<{ readonly row: CostRow; readonly unrecorded: readonly Unrecorded[] }>(
    `costs of ${job.id}`,
    { row, unrecorded },
    (kept) => {
      setRow(kept.row);
      costs.restore(kept.unrecorded);
    },
    unrecorded.length === 0 && [row.what, row.amount, row.hours].every((text) => text.trim() === ''),
  );

  /** Takes what is typed and empties the row at once: the next cost can be typed while this one is on its way. */
  const add = () => {
    let figures: ReturnType<typeof readFigures>;
    try {
      figures = readFigures(row, digits);
    } catch (error) {
      void message.error((error as Error).message);
      return;
    }
    void costs.send({
      agreementId: job.id,
      what: row.what.trim(),
      costType: row.costType,
      spentOn: row.spentOn,
      supplier: row.supplier.trim(),
      idempotencyKey: crypto.randomUUID(),
      ...figures,
      ...placeOf(row.place),
    });
    type({ what: '', amount: '', hours: '' });
    first.current?.focus();
  };

  return (
    <>
      {file.state}
      <UnrecordedCosts costs={costs} digits={digits} />
      <form
        className="cost-form"
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <DayPicker
          label="Spent on"
          className="cost-day"
          allowClear={false}
          value={row.spentOn}
          onChange={(day) => day && type({ spentOn: day })}
        />
        <Input
          ref={first}
          className="cost-what"
          aria-label="What for"
          placeholder="What for"
          required
          maxLength={200}
          value={row.what}
          onChange={({ target }) => type({ what: target.value })}
        />
        <Select
          aria-label="Cost type"
          className="wide-amount"
          value={row.costType}
          onChange={(costType: CostType) => type({ costType })}
          options={costTypes.map((value) => ({ value, label: costTypeName(value) }))}
        />
        <CostPlace job={job} value={row.place} onChange={(place) => type({ place })} />
        <Input
          aria-label="Supplier"
          placeholder="Supplier"
          className="wide-amount"
          maxLength={200}
          value={row.supplier}
          onChange={({ target }) => type({ supplier: target.value })}
        />
        <CostFigures row={row} type={type} labour={labourOf(row, digits)} />
        <Button htmlType="submit" type="primary">
          Record
        </Button>
        {file.button}
      </form>
    </>
  );
}

/** What a cost comes to: an amount, or hours at a rate. */
function CostFigures({
  row,
  type,
  labour,
}: {
  readonly row: CostRow;
  readonly type: (patch: Partial<CostRow>) => void;
  readonly labour: string;
}) {
  const figure = (field: 'hours' | 'rate' | 'amount', label: string, hint: string, width: string) => (
    <Input
      aria-label={label}
      placeholder={hint}
      className={width}
      inputMode="decimal"
      required
      value={row[field]}
      onChange={({ target }) => type({ [field]: target.value })}
    />
  );
  if (!isByHour(row)) return figure('amount', 'Amount', 'amount', 'wide-amount');
  return (
    <span className="cost-hours">
      {figure('hours', 'Hours', 'hours', 'wide-figure')} × {figure('rate', 'Rate', 'rate', 'wide-figure')}{' '}
      <output aria-label="Amount">{labour && `= ${labour}`}</output>
    </span>
  );
}

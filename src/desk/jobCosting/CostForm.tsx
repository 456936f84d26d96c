import { DayPicker } from '@/ui/fields/DayPicker';
import { costTypeName } from '@/core/text/names';
import type { InputRef } from 'antd';
import { FileButton } from '@/ui/fields/FileField';
import { Alert, App, Button, Input, Select } from 'antd';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import type { Job } from '@/services/jobCosting/jobReport';
import { labourAmount } from '@/core/importing';
import { minorDigits, parseAmount, showAmount, showDecimal, writeFixed } from '@/core/number';
import { parseQuantity, parseMoneyInput } from '@/core/quantity';
import type { CostInput, CostType, ProblemDetails } from '@/model';
import { costTypes } from '@/model';
import type { JobActions } from './jobActions';
import { sendFile } from '@/ui/askDoor';
import { asked } from '@/ui/asked';
import { useKeptDraft } from '@/ui/kept/useKeptDraft';

const unknown = (why: string) => `${why}. Whether it is recorded is not known; trying again records it once.`;
const whyNot = ({ status, detail }: ProblemDetails) =>
  status === 0 ? unknown('the server did not answer') : `it is not recorded. ${detail}`;
const figuresOf = ({ amount, hours, rate }: CostInput, digits: number) =>
  amount === undefined
    ? `${showDecimal(hours ?? '0')} h at ${showDecimal(rate ?? '0')}`
    : showAmount(parseAmount(amount, digits), digits);

/** What stands in the row, and what of it is on its way. */
interface Kept {
  readonly row: {
    readonly what: string;
    readonly spentOn: string;
    readonly costType: CostType;
    readonly place: string;
    readonly supplier: string;
    readonly amount: string;
    readonly hours: string;
    readonly rate: string;
  };
  readonly unrecorded: readonly Unrecorded[];
}

/** A typed number as it is sent, or null where it is none. */
const numberOf = (text: string, places: number): string | null => {
  try {
    return writeFixed(parseQuantity(text, places));
  } catch {
    return null;
  }
};

/** What was typed for a cost that is not known to be recorded; why is null while it is on its way. */
interface Unrecorded {
  readonly input: CostInput;
  readonly why: string | null;
}

/** Records a cost in one row; date, type and place stay for the next. Labour by the hour is hours times rate. */
export function CostForm({ job, record }: { job: Job; record: JobActions['record'] }) {
  const { message } = App.useApp();
  const router = useRouter();
  const first = useRef<InputRef>(null);
  const [what, setWhat] = useState('');
  const [spentOn, setSpentOn] = useState(job.today);
  const [costType, setType] = useState<CostType>('material');
  const [place, setPlace] = useState('');
  const [supplier, setSupplier] = useState('');
  const [amount, setAmount] = useState('');
  const [hours, setHours] = useState('');
  const [rate, setRate] = useState('');
  const [unrecorded, setUnrecorded] = useState<readonly Unrecorded[]>([]);
  const waiting = unrecorded.filter(({ why }) => why === null).length;
  useKeptDraft<Kept>(
    `costs of ${job.id}`,
    { row: { what, spentOn, costType, place, supplier, amount, hours, rate }, unrecorded },
    ({ row, unrecorded: left }) => {
      setWhat(row.what);
      setSpentOn(row.spentOn);
      setType(row.costType);
      setPlace(row.place);
      setSupplier(row.supplier);
      setAmount(row.amount);
      setHours(row.hours);
      setRate(row.rate);
      // One that was on its way when the page went may have arrived: sent again it is the same cost.
      setUnrecorded(
        left.map(({ input, why }) => ({
          input,
          why: why ?? unknown('the page was left before an answer came'),
        })),
      );
    },
    unrecorded.length === 0 && [what, amount, hours].every((text) => text.trim() === ''),
  );
  /** A list on its way, or why it was not taken. */
  const [taking, setTaking] = useState<{ readonly list: File; readonly trouble: string | null } | null>(null);
  const digits = minorDigits(job.currency);
  const byHour = costType === 'labour';
  const [numberOfHours, ratePerHour] = [numberOf(hours, 3), numberOf(rate, 4)];
  const labour =
    byHour && numberOfHours !== null && ratePerHour !== null
      ? showAmount(labourAmount(numberOfHours, ratePerHour, digits), digits)
      : '';

  const send = async (input: CostInput) => {
    const others = (all: readonly Unrecorded[]) =>
      all.filter((one) => one.input.idempotencyKey !== input.idempotencyKey);
    setUnrecorded((all) => [...others(all), { input, why: null }]);
    const answer = await asked(record(input));
    setUnrecorded((all) =>
      answer.ok ? others(all) : [...others(all), { input, why: whyNot(answer.problem) }],
    );
    if (answer.ok) router.refresh();
  };

  /** Takes what is typed and empties the row at once: the next cost can be typed while this one is on its way. */
  const add = () => {
    const [kind, ...rest] = place.split(':');
    const id = rest.join(':');
    let figures: Pick<CostInput, 'hours' | 'rate' | 'amount'>;
    try {
      figures =
        byHour && hours.trim() !== ''
          ? { hours: writeFixed(parseQuantity(hours, 3)), rate: writeFixed(parseQuantity(rate, 4)) }
          : { amount: parseMoneyInput(amount, digits) };
    } catch (error) {
      void message.error((error as Error).message);
      return;
    }
    void send({
      agreementId: job.id,
      what: what.trim(),
      costType,
      spentOn,
      supplier: supplier.trim(),
      idempotencyKey: crypto.randomUUID(),
      ...figures,
      ...(kind === 'stage'
        ? { stage: id }
        : kind === 'line'
          ? { lineId: id }
          : kind === 'code'
            ? { costCode: id }
            : {}),
    });
    setWhat('');
    setAmount('');
    setHours('');
    first.current?.focus();
  };

  const take = async (list: File) => {
    setTaking({ list, trouble: null });
    try {
      const { taken, known } = await sendFile<{ taken: number; known: number }>(
        `/api/v1/agreements/${job.id}/costs`,
        list,
      );
      setTaking(null);
      void message.success(
        `${taken} ${taken === 1 ? 'cost' : 'costs'} taken${known > 0 ? `, ${known} were there already` : ''}.`,
      );
    } catch (error) {
      setTaking({ list, trouble: (error as Error).message });
    }
    router.refresh();
  };

  return (
    <>
      {waiting > 0 && (
        <p className="soft" role="status">
          {waiting === 1 ? 'One cost is' : `${waiting} costs are`} being recorded …
        </p>
      )}
      {taking &&
        (taking.trouble === null ? (
          <p className="soft" role="status">
            Taking {taking.list.name} …
          </p>
        ) : (
          <Alert
            type="error"
            style={{ marginBottom: 8 }}
            title={`${taking.list.name}: ${taking.trouble}`}
            closable={{ onClose: () => setTaking(null) }}
          />
        ))}
      {unrecorded
        .filter(({ why }) => why !== null)
        .map(({ input, why }) => (
          <Alert
            key={input.idempotencyKey}
            type="error"
            style={{ marginBottom: 8 }}
            title={`“${input.what}”, ${figuresOf(input, digits)}: ${why}`}
            action={
              <>
                <Button size="small" onClick={() => void send(input)}>
                  Try again
                </Button>{' '}
                <Button
                  size="small"
                  onClick={() => setUnrecorded((all) => all.filter((one) => one.input !== input))}
                >
                  Delete
                </Button>
              </>
            }
          />
        ))}
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
          value={spentOn}
          onChange={(day) => day && setSpentOn(day)}
        />
        <Input
          ref={first}
          className="cost-what"
          aria-label="What for"
          placeholder="What for"
          required
          maxLength={200}
          value={what}
          onChange={({ target }) => setWhat(target.value)}
        />
        <Select
          aria-label="Cost type"
          style={{ width: 124 }}
          value={costType}
          onChange={setType}
          options={costTypes.map((type) => ({ value: type, label: costTypeName(type) }))}
        />
        <Select
          aria-label="Against"
          style={{ width: 200 }}
          showSearch={{ optionFilterProp: 'label' }}
          value={place}
          onChange={setPlace}
          options={[
            { value: '', label: 'the whole job' },
            {
              label: 'Stages',
              options: job.choices.stages.map((name) => ({ value: `stage:${name}`, label: name })),
            },
            {
              label: 'Lines',
              options: job.choices.lines.map(({ id, description }) => ({
                value: `line:${id}`,
                label: description,
              })),
            },
            {
              label: 'Cost codes',
              options: job.choices.codes.map((code) => ({ value: `code:${code}`, label: code })),
            },
          ]}
        />
        <Input
          aria-label="Supplier"
          placeholder="Supplier"
          style={{ width: 130 }}
          maxLength={200}
          value={supplier}
          onChange={({ target }) => setSupplier(target.value)}
        />
        {byHour ? (
          <span className="cost-hours">
            <Input
              aria-label="Hours"
              placeholder="hours"
              style={{ width: 74 }}
              inputMode="decimal"
              required
              value={hours}
              onChange={({ target }) => setHours(target.value)}
            />{' '}
            ×{' '}
            <Input
              aria-label="Rate"
              placeholder="rate"
              style={{ width: 74 }}
              inputMode="decimal"
              required
              value={rate}
              onChange={({ target }) => setRate(target.value)}
            />{' '}
            <output aria-label="Amount">{labour && `= ${labour}`}</output>
          </span>
        ) : (
          <Input
            aria-label="Amount"
            placeholder="amount"
            style={{ width: 104 }}
            inputMode="decimal"
            required
            value={amount}
            onChange={({ target }) => setAmount(target.value)}
          />
        )}
        <Button htmlType="submit" type="primary">
          Record
        </Button>
        <FileButton label="List of costs" accept=".csv,.xlsx,text/csv" take={(list) => void take(list)}>
          Import
        </FileButton>
      </form>
    </>
  );
}

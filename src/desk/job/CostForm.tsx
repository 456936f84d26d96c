import type { InputRef } from 'antd';
import { App, Button, Input, Select } from 'antd';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import type { Job } from '@/acts/costs/jobReport';
import { labourAmount } from '@/core/importing';
import { minorDigits, showAmount } from '@/core/number';
import type { CostInput, CostType } from '@/model';
import { costTypes } from '@/model';
import type { JobActions } from './JobPage';

const plain = (text: string): string => text.replace(/[,\s]/g, '');
const isDecimal = (text: string): boolean => /^\d+(\.\d{1,6})?$/.test(text);

/** Records a cost in one row; date, type and place stay for the next. Labour by the hour is hours times rate. */
export function CostForm({ job, record }: { job: Job; record: JobActions['record'] }) {
  const { message } = App.useApp();
  const router = useRouter();
  const file = useRef<HTMLInputElement>(null);
  const first = useRef<InputRef>(null);
  const [what, setWhat] = useState('');
  const [spentOn, setSpentOn] = useState(job.today);
  const [costType, setType] = useState<CostType>('material');
  const [place, setPlace] = useState('');
  const [supplier, setSupplier] = useState('');
  const [amount, setAmount] = useState('');
  const [hours, setHours] = useState('');
  const [rate, setRate] = useState('');
  const [busy, setBusy] = useState(false);
  const key = useRef<string | null>(null);
  const byHour = costType === 'labour';
  const labour =
    byHour && isDecimal(plain(hours)) && isDecimal(plain(rate))
      ? showAmount(
          labourAmount(plain(hours), plain(rate), minorDigits(job.currency)),
          minorDigits(job.currency),
        )
      : '';

  const add = async () => {
    setBusy(true);
    key.current ??= crypto.randomUUID();
    const [kind, ...rest] = place.split(':');
    const id = rest.join(':');
    const input: CostInput = {
      agreementId: job.id,
      what: what.trim(),
      costType,
      spentOn,
      supplier: supplier.trim(),
      idempotencyKey: key.current,
      ...(byHour && plain(hours) ? { hours: plain(hours), rate: plain(rate) } : { amount: plain(amount) }),
      ...(kind === 'stage'
        ? { stage: id }
        : kind === 'line'
          ? { lineId: id }
          : kind === 'code'
            ? { costCode: id }
            : {}),
    };
    const answer = await record(input);
    setBusy(false);
    if (!answer.ok) {
      if (answer.problem.status !== 0) key.current = null;
      void message.error(answer.problem.detail);
      return;
    }
    key.current = null;
    setWhat('');
    setAmount('');
    setHours('');
    first.current?.focus();
    router.refresh();
  };

  const take = async (list: File) => {
    const response = await fetch(`/api/v1/agreements/${job.id}/costs`, { method: 'POST', body: list });
    const answer = (await response.json()) as { taken?: number; known?: number; detail?: string };
    if (response.ok)
      void message.success(
        `${answer.taken} ${answer.taken === 1 ? 'cost' : 'costs'} taken${answer.known ? `, ${answer.known} were there already` : ''}.`,
      );
    else void message.error(answer.detail, 8);
    router.refresh();
  };

  return (
    <form
      className="cost-form"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <Input
        type="date"
        aria-label="Spent on"
        style={{ width: 140 }}
        required
        value={spentOn}
        onChange={({ target }) => setSpentOn(target.value)}
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
        options={costTypes.map((type) => ({ value: type, label: type }))}
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
      <Button htmlType="submit" type="primary" loading={busy}>
        Record
      </Button>
      <Button onClick={() => file.current?.click()}>Take a list</Button>
      <input
        ref={file}
        type="file"
        hidden
        aria-label="List of costs"
        accept=".csv,.xlsx,text/csv"
        onChange={({ target }) => {
          const [list] = target.files ?? [];
          if (list) void take(list);
          target.value = '';
        }}
      />
    </form>
  );
}

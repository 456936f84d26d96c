'use client';

import { Button, Checkbox, Input, Select } from 'antd';
import { useState } from 'react';
import type { CompanyMoney, LateTerms, ReminderStep } from '@/model';

const terms: Readonly<Record<LateTerms['kind'], LateTerms>> = {
  interest: { kind: 'interest', percent: '12', graceDays: 10 },
  fee: { kind: 'fee', amount: '50', graceDays: 10 },
};

/** A number of days; what is no number, or out of bounds, stays in the field and is not taken. */
function Days({
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

/** What paying late costs, and how customers are reminded. */
export function LateSettings({
  money,
  currency,
  disabled,
  change,
}: {
  readonly money: CompanyMoney;
  readonly currency: string;
  readonly disabled: boolean;
  readonly change: (money: CompanyMoney) => void;
}) {
  const { late, ...withoutLate } = money;
  const reminders = money.reminders ?? { steps: [], byItself: false };
  const setSteps = (steps: readonly ReminderStep[]) =>
    change({ ...money, reminders: { ...reminders, steps: [...steps] } });
  const setStep = (id: string, more: Partial<ReminderStep>) =>
    setSteps(reminders.steps.map((step) => (step.id === id ? { ...step, ...more } : step)));
  return (
    <>
      <p className="settings-what">Who pays late pays</p>
      <div className="late-terms">
        <Select
          aria-label="What paying late costs"
          disabled={disabled}
          className="wide-choice"
          value={late?.kind ?? 'nothing'}
          onChange={(kind: 'nothing' | LateTerms['kind']) =>
            change(kind === 'nothing' ? withoutLate : { ...money, late: terms[kind] })
          }
          options={[
            { value: 'nothing', label: 'nothing more' },
            { value: 'interest', label: 'interest by the day' },
            { value: 'fee', label: 'a fee, once' },
          ]}
        />
        {late?.kind === 'interest' && (
          <label>
            <Input
              aria-label="Interest, percent a year"
              disabled={disabled}
              className="wide-figure"
              inputMode="decimal"
              value={late.percent}
              onChange={({ target }) => change({ ...money, late: { ...late, percent: target.value } })}
            />{' '}
            % a year
          </label>
        )}
        {late?.kind === 'fee' && (
          <label>
            <Input
              aria-label="Late fee"
              disabled={disabled}
              className="wide-amount"
              inputMode="decimal"
              value={late.amount}
              onChange={({ target }) => change({ ...money, late: { ...late, amount: target.value } })}
            />{' '}
            {currency}
          </label>
        )}
        {late && (
          <label>
            if it is more than{' '}
            <Days
              name="Days of grace"
              disabled={disabled}
              least={0}
              value={late.graceDays}
              change={(graceDays) => change({ ...money, late: { ...late, graceDays } })}
            />{' '}
            days late
          </label>
        )}
      </div>
      {late && (
        <p className="soft above-least">
          It stands on every invoice issued from now on, and is charged when you press the button.
        </p>
      )}
      <p className="settings-what">Reminders, by days after an invoice was due (before it: −3)</p>
      {reminders.steps.map((step) => (
        <fieldset key={step.id} className="load-set" disabled={disabled}>
          <label>
            after{' '}
            <Days
              name="Days after the due date"
              disabled={disabled}
              least={-60}
              value={step.days}
              change={(days) => setStep(step.id, { days })}
            />{' '}
            days
          </label>
          <Input
            aria-label="Subject"
            className="wide-choice"
            maxLength={200}
            value={step.subject}
            onChange={({ target }) => setStep(step.id, { subject: target.value })}
          />
          <Input.TextArea
            aria-label="Words to the customer"
            className="grows wide-name"
            rows={2}
            maxLength={2000}
            value={step.words}
            onChange={({ target }) => setStep(step.id, { words: target.value })}
          />
          {!disabled && (
            <Button
              size="small"
              type="text"
              danger
              onClick={() => setSteps(reminders.steps.filter(({ id }) => id !== step.id))}
            >
              Remove
            </Button>
          )}
        </fieldset>
      ))}
      {!disabled && (
        <Button
          size="small"
          disabled={reminders.steps.length >= 12}
          onClick={() =>
            setSteps([
              ...reminders.steps,
              {
                id: crypto.randomUUID(),
                days: Math.max(-7, ...reminders.steps.map(({ days }) => days)) + 14,
                subject: 'A reminder',
                words: '',
              },
            ])
          }
        >
          Add a reminder
        </Button>
      )}
      <p className="soft above-least">
        Number, what is open, the due date, what being late costs and a link to pay are added to your words.
      </p>
      {reminders.steps.length > 0 && (
        <div className="above-least">
          <Checkbox
            disabled={disabled}
            checked={reminders.byItself}
            onChange={({ target }) =>
              change({ ...money, reminders: { ...reminders, byItself: target.checked } })
            }
          >
            Send them by themselves; otherwise the money page lists them
          </Checkbox>
        </div>
      )}
    </>
  );
}

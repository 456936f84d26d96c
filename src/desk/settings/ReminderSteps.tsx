import { Button, Checkbox, Input } from 'antd';
import { nextReminderDays } from '@/core/billing';
import type { CompanyMoney, ReminderStep } from '@/model';
import { Days } from './Days';

/** Reminders there can be. */
const MOST = 12;

/** How customers are reminded: when, under which subject, in which words. */
export function ReminderSteps({
  money,
  disabled,
  change,
}: {
  readonly money: CompanyMoney;
  readonly disabled: boolean;
  readonly change: (money: CompanyMoney) => void;
}) {
  const reminders = money.reminders ?? { steps: [], byItself: false };
  const { steps, byItself } = reminders;
  const setSteps = (next: readonly ReminderStep[]) =>
    change({ ...money, reminders: { ...reminders, steps: [...next] } });
  const setStep = (id: string, more: Partial<ReminderStep>) =>
    setSteps(steps.map((step) => (step.id === id ? { ...step, ...more } : step)));
  const add = () =>
    setSteps([
      ...steps,
      { id: crypto.randomUUID(), days: nextReminderDays(steps), subject: 'A reminder', words: '' },
    ]);
  return (
    <>
      <p className="settings-what">Reminders, by days after an invoice was due (before it: −3)</p>
      {steps.map((step) => (
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
            className="wide-name"
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
              onClick={() => setSteps(steps.filter(({ id }) => id !== step.id))}
            >
              Remove
            </Button>
          )}
        </fieldset>
      ))}
      {!disabled && (
        <Button size="small" disabled={steps.length >= MOST} onClick={add}>
          Add a reminder
        </Button>
      )}
      <p className="soft above-least">
        Number, what is open, the due date, what being late costs and a link to pay are added to your words.
      </p>
      {steps.length > 0 && (
        <div className="above-least">
          <Checkbox
            disabled={disabled}
            checked={byItself}
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

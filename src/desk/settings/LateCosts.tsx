import { Input, Select } from 'antd';
import type { CompanyMoney, LateTerms } from '@/model';
import { Days } from './Days';

/** What each kind begins with. */
const usual: Readonly<Record<LateTerms['kind'], LateTerms>> = {
  interest: { kind: 'interest', percent: '12', graceDays: 10 },
  fee: { kind: 'fee', amount: '50', graceDays: 10 },
};

/** What paying late costs: nothing, interest by the day, or a fee; after days of grace. */
export function LateCosts({
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
  const set = (next: LateTerms) => change({ ...money, late: next });
  const figure = (label: string, width: string, value: string, type: (text: string) => void) => (
    <Input
      aria-label={label}
      disabled={disabled}
      className={width}
      inputMode="decimal"
      value={value}
      onChange={({ target }) => type(target.value)}
    />
  );
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
            kind === 'nothing' ? change(withoutLate) : set(usual[kind])
          }
          options={[
            { value: 'nothing', label: 'nothing more' },
            { value: 'interest', label: 'interest by the day' },
            { value: 'fee', label: 'a fee, once' },
          ]}
        />
        {late?.kind === 'interest' && (
          <label>
            {figure('Interest, percent a year', 'wide-figure', late.percent, (percent) =>
              set({ ...late, percent }),
            )}{' '}
            % a year
          </label>
        )}
        {late?.kind === 'fee' && (
          <label>
            {figure('Late fee', 'wide-amount', late.amount, (amount) => set({ ...late, amount }))} {currency}
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
              change={(graceDays) => set({ ...late, graceDays })}
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
    </>
  );
}

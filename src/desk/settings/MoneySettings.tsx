'use client';

import { Button, Checkbox, Input, Select } from 'antd';
import { depositLaws } from '@/core/schedule';
import type { CompanyMoney, SchedulePreset, UsualTerms } from '@/model';

/** Payment schedules by size of job, and what the law says about deposits and about cancelling. */
export function MoneySettings({
  money,
  usual,
  disabled,
  change,
}: {
  readonly money: CompanyMoney;
  readonly usual: UsualTerms;
  readonly disabled: boolean;
  readonly change: (money: CompanyMoney) => void;
}) {
  const { presets, deposit, coolingOff } = money;
  const law = depositLaws.find(({ id }) => id === deposit?.place);
  const { deposit: _d, ...withoutDeposit } = money;
  const { coolingOff: _c, ...withoutCooling } = money;
  const setPreset = (id: string, next: SchedulePreset | null) =>
    change({
      ...money,
      presets: presets.flatMap((preset) => (preset.id === id ? (next ? [next] : []) : [preset])),
    });
  return (
    <>
      <p className="settings-what">Payment schedules by name, offered by the size of the job:</p>
      {presets.map((preset) => {
        const { upTo: _, ...anySize } = preset;
        return (
          <fieldset key={preset.id} className="load-set" disabled={disabled}>
            <Input
              aria-label="Name of the schedule"
              className="wide-choice"
              maxLength={200}
              value={preset.name}
              onChange={({ target }) => setPreset(preset.id, { ...preset, name: target.value })}
            />
            <label>
              up to{' '}
              <Input
                className="wide-amount"
                inputMode="decimal"
                placeholder="any size"
                value={preset.upTo ?? ''}
                onChange={({ target }) =>
                  setPreset(
                    preset.id,
                    target.value.trim() === '' ? anySize : { ...preset, upTo: target.value },
                  )
                }
              />
            </label>
            <span className="soft">
              {preset.schedule
                .map(
                  ({ name, share }) =>
                    `${name} ${'percent' in share ? `${share.percent} %` : 'amount' in share ? share.amount : 'the balance'}`,
                )
                .join(' · ')}
            </span>
            {!disabled && (
              <Button size="small" type="text" danger onClick={() => setPreset(preset.id, null)}>
                Remove
              </Button>
            )}
          </fieldset>
        );
      })}
      {!disabled && (
        <Button
          size="small"
          onClick={() =>
            change({
              ...money,
              presets: [
                ...presets,
                { id: crypto.randomUUID(), name: 'As usual', schedule: [...usual.schedule] },
              ],
            })
          }
          disabled={usual.schedule.length === 0}
        >
          Keep the usual schedule under a name
        </Button>
      )}
      <p className="settings-what">Deposits are limited by the law of</p>
      <Select
        aria-label="Whose law limits deposits"
        disabled={disabled}
        className="wide-name"
        value={deposit?.place ?? ''}
        onChange={(place) =>
          change(place === '' ? withoutDeposit : { ...money, deposit: { blocks: false, ...deposit, place } })
        }
        options={[
          { value: '', label: 'no place of these' },
          ...depositLaws.map(({ id, place }) => ({ value: id, label: place })),
        ]}
      />
      {law && (
        <>
          {' '}
          <span className="soft">
            at most {law.inWords} ({law.source})
          </span>
          <div className="above-less">
            <Checkbox
              disabled={disabled}
              checked={deposit!.blocks}
              onChange={({ target }) =>
                change({ ...money, deposit: { ...deposit!, blocks: target.checked } })
              }
            >
              A proposal with a higher deposit cannot be sent
            </Checkbox>
          </div>
        </>
      )}
      <div className="above-least">
        <Checkbox
          disabled={disabled}
          checked={coolingOff !== undefined}
          onChange={({ target }) =>
            change(target.checked ? { ...money, coolingOff: { holdDeposit: false } } : withoutCooling)
          }
        >
          Customers may cancel until the third business day after signing (FTC, 16 CFR Part 429)
        </Checkbox>
        {coolingOff && (
          <div className="above-least">
            <Checkbox
              disabled={disabled}
              checked={coolingOff.holdDeposit}
              onChange={({ target }) => change({ ...money, coolingOff: { holdDeposit: target.checked } })}
            >
              No deposit is billed before that
            </Checkbox>
          </div>
        )}
      </div>
    </>
  );
}

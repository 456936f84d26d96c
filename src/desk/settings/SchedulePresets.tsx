import { Button, Input } from 'antd';
import { shareInWords } from '@/core/schedule';
import type { CompanyMoney, SchedulePreset, UsualTerms } from '@/model';

interface PresetsProps {
  readonly money: CompanyMoney;
  readonly disabled: boolean;
  readonly change: (money: CompanyMoney) => void;
}

/** Payment schedules by name, offered by the size of the job. */
export function SchedulePresets({
  money,
  usual,
  disabled,
  change,
}: PresetsProps & { readonly usual: UsualTerms }) {
  const { presets } = money;
  const put = (next: readonly SchedulePreset[]) => change({ ...money, presets: [...next] });
  const set = (preset: SchedulePreset) => put(presets.map((each) => (each.id === preset.id ? preset : each)));
  const keepUsual = () =>
    put([...presets, { id: crypto.randomUUID(), name: 'As usual', schedule: [...usual.schedule] }]);
  return (
    <>
      <p className="settings-what">Payment schedules by name, offered by the size of the job:</p>
      {presets.map((preset) => {
        const { upTo, ...anySize } = preset;
        return (
          <fieldset key={preset.id} className="load-set" disabled={disabled}>
            <Input
              aria-label="Name of the schedule"
              className="wide-choice"
              maxLength={200}
              value={preset.name}
              onChange={({ target }) => set({ ...preset, name: target.value })}
            />
            <label>
              up to{' '}
              <Input
                className="wide-amount"
                inputMode="decimal"
                placeholder="any size"
                value={upTo ?? ''}
                onChange={({ target }) =>
                  set(target.value.trim() === '' ? anySize : { ...preset, upTo: target.value })
                }
              />
            </label>
            <span className="soft">
              {preset.schedule.map(({ name, share }) => `${name} ${shareInWords(share)}`).join(' · ')}
            </span>
            {!disabled && (
              <Button
                size="small"
                type="text"
                danger
                onClick={() => put(presets.filter(({ id }) => id !== preset.id))}
              >
                Remove
              </Button>
            )}
          </fieldset>
        );
      })}
      {!disabled && (
        <Button size="small" onClick={keepUsual} disabled={usual.schedule.length === 0}>
          Keep the usual schedule under a name
        </Button>
      )}
    </>
  );
}

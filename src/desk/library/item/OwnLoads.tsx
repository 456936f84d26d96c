'use client';

import { Button, Radio } from 'antd';
import { writeFixed } from '@/core/number';
import { parseQuantity } from '@/core/quantity';
import type { Load } from '@/model';
import { Cell } from '@/ui/live/Cell';
import './ownLoads.css';

const bases = { direct: '% of direct cost', running: '% of the running amount', price: '% of the price' };

/** A percentage as it is typed. */
function percent(typed: string): string {
  const value = parseQuantity(typed, 4);
  if (value < 0n || value > 999_000_000n) throw new Error('From 0 to 999 %.');
  return writeFixed(value);
}

/** From cost to price: as the proposal does it, or with loads of the item’s own. */
export function OwnLoads({
  loads,
  usual,
  readOnly,
  change,
  title = <h2>From cost to price</h2>,
}: {
  readonly loads: readonly Load[] | undefined;
  readonly usual: readonly Load[];
  readonly readOnly: boolean;
  /** Null: as the proposal. */
  readonly change: (loads: Load[] | null) => void;
  readonly title?: React.ReactNode;
}) {
  return (
    <section>
      {title}
      <Radio.Group
        disabled={readOnly}
        value={loads !== undefined}
        onChange={({ target }) => change(target.value === true ? usual.map((load) => ({ ...load })) : null)}
        options={[
          { value: false, label: 'as the proposal has it' },
          { value: true, label: 'its own markup' },
        ]}
      />
      {loads && (
        <table className="table-plain own-loads">
          <tbody>
            {loads.map((load, i) => (
              <tr key={load.id}>
                <td>{load.name}</td>
                <td>
                  <Cell
                    name="own-load"
                    label={`${load.name}, percent`}
                    align="right"
                    shown={load.percent}
                    readOnly={readOnly}
                    commit={(typed) =>
                      change(
                        loads.map((each, at) => (at === i ? { ...each, percent: percent(typed) } : each)),
                      )
                    }
                  />
                </td>
                <td className="soft">{bases[load.base]}</td>
                <td>
                  {!readOnly && (
                    <button
                      type="button"
                      className="grip grip-shown"
                      aria-label={`Remove ${load.name}`}
                      onClick={() => change(loads.filter((_, at) => at !== i))}
                    >
                      ×
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {loads?.length === 0 && (
        <p className="soft">
          None: it is passed on at cost.{' '}
          {!readOnly && (
            <Button size="small" onClick={() => change(usual.map((load) => ({ ...load })))}>
              Begin with the usual ones
            </Button>
          )}
        </p>
      )}
    </section>
  );
}

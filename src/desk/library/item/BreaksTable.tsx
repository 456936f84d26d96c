'use client';

import { Button, Select } from 'antd';
import { isBelowZero, writeFixed } from '@/core/number';
import { parseQuantity } from '@/core/quantity';
import type { PriceBreaks } from '@/model';
import { Cell } from '@/ui/live/Cell';

const positive = (typed: string, places: number): string => {
  const value = writeFixed(parseQuantity(typed, places));
  if (isBelowZero(value)) throw new Error('Not below zero.');
  return value;
};
const types: readonly PriceBreaks['costType'][] = ['material', 'equipment', 'subcontract', 'other'];

/** From which quantity on an item costs something else. */
export function BreaksTable({
  breaks,
  readOnly,
  change,
}: {
  readonly breaks: PriceBreaks | undefined;
  readonly readOnly: boolean;
  readonly change: (breaks: PriceBreaks | undefined) => void;
}) {
  if (!breaks)
    return readOnly ? null : (
      <Button
        size="small"
        onClick={() => change({ costType: 'material', kind: 'whole', steps: [{ from: '100', amount: '0' }] })}
      >
        Cheaper from a quantity on
      </Button>
    );
  const steps = (next: PriceBreaks['steps']) =>
    change(next.length === 0 ? undefined : { ...breaks, steps: next });
  return (
    <div className="breaks">
      <div className="library-bar">
        <Select
          size="small"
          className="breaks-select"
          popupMatchSelectWidth={false}
          aria-label="Cost type of the breaks"
          disabled={readOnly}
          value={breaks.costType}
          onChange={(picked: string) => change({ ...breaks, costType: picked as PriceBreaks['costType'] })}
          options={types.map((type) => ({ value: type, label: type }))}
        />
        <Select
          size="small"
          className="breaks-select"
          popupMatchSelectWidth={false}
          aria-label="How the breaks count"
          disabled={readOnly}
          value={breaks.kind}
          onChange={(picked: string) => change({ ...breaks, kind: picked as PriceBreaks['kind'] })}
          options={[
            { value: 'whole', label: 'all of it at the break reached' },
            { value: 'graduated', label: 'each stretch at its own' },
          ]}
        />
      </div>
      {breaks.steps.map((step, i) => (
        <div key={i} className="break-row">
          from
          <Cell
            name="break-from"
            label={`From quantity ${i + 1}`}
            align="right"
            shown={step.from}
            readOnly={readOnly}
            commit={(typed) =>
              steps(breaks.steps.map((each, at) => (at === i ? { ...each, from: positive(typed, 3) } : each)))
            }
          />
          at
          <Cell
            name="break-amount"
            label={`Unit cost ${i + 1}`}
            align="right"
            shown={step.amount}
            readOnly={readOnly}
            commit={(typed) =>
              steps(
                breaks.steps.map((each, at) => (at === i ? { ...each, amount: positive(typed, 4) } : each)),
              )
            }
          />
          {!readOnly && (
            <button
              type="button"
              className="grip grip-shown"
              aria-label={`Remove break ${i + 1}`}
              onClick={() => steps(breaks.steps.filter((_, at) => at !== i))}
            >
              ×
            </button>
          )}
        </div>
      ))}
      {!readOnly && (
        <Button
          size="small"
          onClick={() => {
            const last = breaks.steps.at(-1)!;
            steps([
              ...breaks.steps,
              { from: writeFixed(parseQuantity(`${last.from}*2`)), amount: last.amount },
            ]);
          }}
        >
          One more break
        </Button>
      )}
    </div>
  );
}

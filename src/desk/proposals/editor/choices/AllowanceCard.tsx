'use client';

import { Button, Checkbox, Select } from 'antd';
import { allowanceInWords, rulesInWords } from '@/core/allowance';
import { editRound, newRound, setAllowance } from '@/core/editing';
import { showAmount, showDecimal, writeFixed } from '@/core/number';
import { setAside } from '@/core/price';
import { parseQuantity } from '@/core/quantity';
import type { Allowance, Line } from '@/model';
import { unitName } from '@/model';
import { RoundEditor } from '@/desk/rounds/RoundEditor';
import { newPartId, useEditor } from '../context';
import { Cell } from '@/ui/live/Cell';

/** Money set aside: how the difference is settled, what the customer reads, and the rounds in which they choose. */
export function AllowanceCard({ line, sectionTitle }: { line: Line; sectionTitle: string }) {
  const { work, lines, figures, readOnly } = useEditor();
  const { allowance } = line;
  const found = lines.get(line.id);
  if (!allowance || !found) return null;
  const digits = figures.minorDigits;
  const spend = setAside(found);
  const unit = unitName(line.unit);
  const change = (next: Partial<Allowance>) =>
    work.edit((draft) => setAllowance(draft, line.id, { ...allowance, ...next }));
  return (
    <section className="choice-card" aria-label={`Allowance ${line.description}`}>
      <div className="choice-head">
        <strong className="choice-title">{line.description}</strong>
        <span className="soft">{sectionTitle}</span>
        <span className="amount">{showAmount(found.net, digits)}</span>
      </div>
      <div className="choice-terms">
        <label className="limit">
          to spend {unit === 'each' ? 'for each' : unit === 'job' ? 'in all' : `per ${unit}`}
          <Cell
            name="allowance-amount"
            label={`${line.description}: to spend per ${unit}`}
            align="right"
            shown={showDecimal(allowance.amount)}
            typed={allowance.amount}
            readOnly={readOnly}
            commit={(text) => change({ amount: writeFixed(parseQuantity(text, 2)) })}
          />
        </label>
        <label className="limit">
          our fee, % of price
          <Cell
            name="allowance-fee"
            label={`${line.description}: our fee in percent of the price`}
            align="right"
            shown={allowance.fee}
            readOnly={readOnly}
            commit={(text) => {
              const fee = writeFixed(parseQuantity(text, 2));
              if (Number(fee) >= 100) throw new RangeError('A fee is a share of the price, below 100 %.');
              change({ fee });
            }}
          />
        </label>
        <Select
          size="small"
          className="allowance-rule"
          popupMatchSelectWidth={false}
          aria-label={`${line.description}: how the difference is settled`}
          disabled={readOnly}
          value={allowance.rule}
          onChange={(picked: string) => {
            const { feeOnRest: _, ...rest } = allowance;
            work.edit((draft) =>
              setAllowance(draft, line.id, { ...rest, rule: picked as Allowance['rule'] }),
            );
          }}
          options={[...Object.entries(rulesInWords).map(([rule, words]) => ({ value: rule, label: words }))]}
        />
        {allowance.rule !== 'at our price' && (
          <Select
            size="small"
            popupMatchSelectWidth={false}
            aria-label={`${line.description}: the customer reads`}
            disabled={readOnly}
            value={allowance.shows}
            onChange={(picked: string) => change({ shows: picked as Allowance['shows'] })}
            options={[
              { value: 'price', label: 'they read one price, fee inside' },
              { value: 'spend', label: 'they read what to spend, and the fee' },
            ]}
          />
        )}
        {allowance.rule === 'at cost, fee on the excess' && (
          <Checkbox
            disabled={readOnly}
            checked={allowance.feeOnRest === true}
            onChange={({ target }) => {
              const { feeOnRest: _, ...rest } = allowance;
              work.edit((draft) =>
                setAllowance(draft, line.id, target.checked ? { ...rest, feeOnRest: true } : rest),
              );
            }}
          >
            a rest gives its fee back too
          </Checkbox>
        )}
      </div>
      <p className="soft allowance-words">They read: {allowanceInWords(allowance, spend, digits)}</p>
      {allowance.rounds.map((round) => (
        <RoundEditor
          key={round.id}
          round={round}
          scale={{ quantity: found.quantity, minorDigits: digits }}
          unit={unit}
          readOnly={readOnly}
          change={(recipe) => work.edit((draft) => editRound(draft, line.id, round.id, recipe))}
          newId={newPartId}
        />
      ))}
      {!readOnly && (
        <div className="choice-terms">
          <Button
            size="small"
            onClick={() =>
              change({
                rounds: [
                  ...allowance.rounds,
                  newRound(allowance.rounds.length === 0 ? line.description : 'Next round', newPartId),
                ],
              })
            }
          >
            Prepare a selection round
          </Button>
          <Button
            size="small"
            type="text"
            onClick={() => work.edit((draft) => setAllowance(draft, line.id, null))}
          >
            No longer an allowance
          </Button>
        </div>
      )}
    </section>
  );
}

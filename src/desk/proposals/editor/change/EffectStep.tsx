'use client';

import { changeEffect } from '@/core/agreements';
import { setSpread } from '@/core/editing';
import { moneyOf, parseAmount, showAmount } from '@/core/number';
import type { Contract, SpreadWay } from '@/model';
import { useEditor } from '../context';
import './change.css';

const ways: Readonly<Record<SpreadWay, string>> = {
  spread: 'Spread over the payments that are not billed, by what they come to',
  next: 'On the next payment',
  last: 'On the last payment',
  own: 'A payment of its own',
};

/** What the change order does to the agreement, as suggested: sum, tax and payments, before and after. */
export function useEffectOf(contract: Contract) {
  const { work, figures } = useEditor();
  const { change } = work.document;
  return change ? changeEffect(contract, { total: figures.total, taxTotal: figures.taxTotal }, change) : null;
}

/** Where the sum of the change order goes in the payment schedule, and what that makes of it. */
export function EffectStep({ contract }: { contract: Contract }) {
  const { work, readOnly } = useEditor();
  const effect = useEffectOf(contract);
  const { change } = work.document;
  if (!effect || !change) return null;
  const money = moneyOf(effect.minorDigits);
  return (
    <div className="step">
      <h2>Where it goes</h2>
      <div role="radiogroup" aria-label="Where the sum of the change order goes">
        {(Object.keys(ways) as SpreadWay[]).map((way) => (
          <label key={way} className="spread-way">
            <input
              type="radio"
              name="spread"
              disabled={readOnly}
              checked={change.spread === way}
              onChange={() => work.edit((draft) => setSpread(draft, way))}
            />{' '}
            {ways[way]}
          </label>
        ))}
      </div>
      <table className="table-plain step-table" aria-label="Effect on the agreement">
        <thead>
          <tr>
            <th />
            <th className="amount">Before</th>
            <th className="amount">Change</th>
            <th className="amount">After</th>
          </tr>
        </thead>
        <tbody>
          {effect.entries.map((entry) => (
            <tr key={entry.id} className={entry.billed ? 'soft' : undefined}>
              <td>
                {entry.name}
                {entry.billed && <span className="soft"> · billed</span>}
              </td>
              <td className="amount">{entry.before === 0n ? '' : money.show(entry.before)}</td>
              <td className="amount">
                {entry.after === entry.before ? '' : money.showDifference(entry.after - entry.before)}
              </td>
              <td className="amount">{money.show(entry.after)}</td>
            </tr>
          ))}
          {(
            [
              ['Contract sum', effect.sum],
              ['of which tax', effect.tax],
            ] as const
          ).map(([name, { before, after }]) => (
            <tr key={name}>
              <td>
                <strong>{name}</strong>
              </td>
              <td className="amount">{money.show(before)}</td>
              <td className="amount">{money.showDifference(after - before)}</td>
              <td className="amount">
                <strong>{money.show(after)}</strong>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="soft">
        {contract.changes.length > 0
          ? `Signed first: ${showAmount(parseAmount(contract.original, contract.minorDigits), contract.minorDigits)}; since then ${contract.changes.map(({ number }) => `change order ${number}`).join(', ')}.`
          : 'The first change to this agreement.'}{' '}
        The customer sees the same, following every choice they make.
      </p>
    </div>
  );
}

'use client';

import type { ChangeEffect } from '@/core/agreements/effect';
import { changeEffect } from '@/core/agreements/effect';
import { moneyOf, parseAmount, showDifference } from '@/core/number';
import type { Contract } from '@/model/change';
import type { CustomerView } from '@/model/customerView';

/** What a change order does to the agreement: sum, tax and payments, before and after; follows every choice. */
export function Effect({ contract, view }: { contract: Contract; view: CustomerView }) {
  const { change } = view;
  if (!change) return null;
  const read = (text: string) => parseAmount(text, contract.minorDigits);
  const effect = changeEffect(contract, { total: read(view.total), taxTotal: read(view.taxTotal) }, change);
  return (
    <section className="leaf">
      <h2>What it does to our agreement</h2>
      <EffectTable effect={effect} original={read(contract.original)} changes={contract.changes} />
    </section>
  );
}

/** The figures of an effect. */
function EffectTable({
  effect,
  original,
  changes,
}: {
  effect: ChangeEffect;
  original: ChangeEffect['change'];
  changes: Contract['changes'];
}) {
  const money = moneyOf(effect.minorDigits);
  const row = (name: string, { before, after }: ChangeEffect['sum'], note = '') => (
    <tr key={name} className={before === after ? 'soft' : undefined}>
      <td>
        {name}
        {note && <span className="card-detail">{note}</span>}
      </td>
      <td>{before === 0n ? '' : money.show(before)}</td>
      <td>{money.show(after)}</td>
    </tr>
  );
  return (
    <table className="effect">
      <thead>
        <tr>
          <th />
          <th>Before</th>
          <th>After</th>
        </tr>
      </thead>
      <tbody>
        {row(
          'Contract sum',
          effect.sum,
          changes.length > 0
            ? `${money.show(original)} at first, ${changes.length} change${changes.length > 1 ? 's' : ''} since`
            : showDifference(effect.change, effect.minorDigits),
        )}
        {row('of which tax', effect.tax)}
        {effect.entries.map((entry) => row(entry.name, entry, entry.billed ? 'billed already' : ''))}
      </tbody>
    </table>
  );
}

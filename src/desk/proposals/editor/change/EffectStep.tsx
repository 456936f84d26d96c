'use client';

import { changeEffect } from '@/core/agreements';
import { setSpread } from '@/core/editing';
import { moneyOf, parseAmount, showAmount } from '@/core/number';
import type { Contract, SpreadWay } from '@/model';
import { useEditor } from '../context';
import './change.css';
import { Radio } from 'antd';
import { PlainTable } from '@/ui/tables/PlainTable';

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
      <Radio.Group
        vertical
        aria-label="Where the sum of the change order goes"
        disabled={readOnly}
        value={change.spread}
        options={(Object.keys(ways) as SpreadWay[]).map((value) => ({ value, label: ways[value] }))}
        onChange={({ target }) => work.edit((draft) => setSpread(draft, target.value as SpreadWay))}
      />
      <PlainTable
        label="Effect on the agreement"
        rows={effect.entries}
        rowKey={({ id }) => id}
        rowClass={({ billed }) => (billed ? 'soft' : '')}
        columns={[
          {
            key: 'name',
            title: '',
            cell: ({ name, billed }) => (
              <>
                {name}
                {billed && <span className="soft"> · billed</span>}
              </>
            ),
          },
          {
            key: 'before',
            title: 'Before',
            figure: true,
            cell: ({ before }) => (before === 0n ? '' : money.show(before)),
          },
          {
            key: 'change',
            title: 'Change',
            figure: true,
            cell: ({ before, after }) => (after === before ? '' : money.showDifference(after - before)),
          },
          { key: 'after', title: 'After', figure: true, cell: ({ after }) => money.show(after) },
        ]}
        foot={(
          [
            ['Contract sum', effect.sum],
            ['of which tax', effect.tax],
          ] as const
        ).map(([name, { before, after }]) => ({
          name,
          before: money.show(before),
          change: money.showDifference(after - before),
          after: money.show(after),
        }))}
      />
      <p className="soft">
        {contract.changes.length > 0
          ? `Signed first: ${showAmount(parseAmount(contract.original, contract.minorDigits), contract.minorDigits)}; since then ${contract.changes.map(({ number }) => `change order ${number}`).join(', ')}.`
          : 'The first change to this agreement.'}{' '}
        The customer sees the same, following every choice they make.
      </p>
    </div>
  );
}

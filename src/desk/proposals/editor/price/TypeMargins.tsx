'use client';

import { useMemo } from 'react';
import type { TypeMargin } from '@/core/insight';
import { byCostType } from '@/core/insight';
import type { Fixed } from '@/core/number';
import { showAmount, showPercent } from '@/core/number';
import { capital } from '@/core/text/capital';
import { costTypeName } from '@/core/text/names';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useEditor } from '../context';

const percent = (value: Fixed | null): string => (value === null ? '' : `${showPercent(value)} %`);

const nameOf = ({ costType }: TypeMargin): string =>
  costType === null ? 'Without a cost' : capital(costTypeName(costType));

/** What each kind of cost earns beside the whole: as it comes out, and by the markup that is typed. */
export function TypeMargins() {
  const { work, figures } = useEditor();
  const { document: proposal } = work;
  const { rows, total } = useMemo(() => byCostType(proposal, figures), [proposal, figures]);
  const money = (value: TypeMargin['cost']) => (value === 0n ? '' : showAmount(value, figures.minorDigits));
  if (rows.length === 0) return null;
  return (
    <>
      <h2>What each kind of cost earns</h2>
      <PlainTable
        label="What each kind of cost earns"
        rows={rows}
        rowKey={({ costType }) => costType ?? 'none'}
        columns={[
          { key: 'kind', title: 'Kind', cell: nameOf },
          { key: 'cost', title: 'Cost', figure: true, cell: ({ cost }) => money(cost) },
          { key: 'price', title: 'Price', figure: true, cell: ({ price }) => money(price) },
          { key: 'profit', title: 'Left over', figure: true, cell: ({ profit }) => money(profit) },
          { key: 'markup', title: 'Markup', figure: true, cell: ({ markup }) => percent(markup) },
          { key: 'margin', title: 'Margin', figure: true, cell: ({ margin }) => percent(margin) },
          {
            key: 'typed',
            title: 'Markup typed',
            figure: true,
            cell: ({ typed }) => <span className="soft">{percent(typed?.markup ?? null)}</span>,
          },
          {
            key: 'typedMargin',
            title: 'Margin typed',
            figure: true,
            cell: ({ typed }) => <span className="soft">{percent(typed?.margin ?? null)}</span>,
          },
        ]}
        foot={[
          {
            kind: 'The whole, before tax',
            cost: money(total.cost),
            price: money(total.price),
            profit: money(total.profit),
            markup: percent(total.markup),
            margin: percent(total.margin),
          },
        ]}
      />
    </>
  );
}

'use client';

import { Select } from 'antd';
import { otherWay, readMarkup } from '@/core/price';
import { costTypeName } from '@/core/text/names';
import type { CostType, Load } from '@/model';
import { costTypes } from '@/model';
import { Cell } from '@/ui/live/Cell';
import { EntryActs } from '@/ui/EntryActs';
import './markups.css';

const bases: Record<Load['base'], string> = {
  direct: '% of direct cost',
  running: '% of running amount',
  price: '% of the price',
};
const kinds: Load['kind'][] = ['overhead', 'profit', 'bond', 'contingency', 'commission'];

/** On which costs a markup is taken: all, or those picked. */
const costChoices = costTypes.map((type) => ({ value: type, label: costTypeName(type) }));

/** The percent said the other way, as markup or as margin. */
function inOtherWords(load: Load): string {
  const other = otherWay(load);
  return other === null ? '' : `${other} % ${load.base === 'price' ? 'markup' : 'margin'}`;
}

/** One markup: what it is called and is, its percent, of what, and what it comes to. */
export function MarkupRow({
  load,
  first,
  last,
  readOnly,
  amount,
  change,
  move,
}: {
  readonly load: Load;
  readonly first: boolean;
  readonly last: boolean;
  readonly readOnly: boolean;
  /** What it comes to, where that is known. */
  readonly amount?: string;
  /** Null: it is taken out. */
  readonly change: (next: Partial<Load> | null) => void;
  readonly move: (by: 1 | -1) => void;
}) {
  return (
    <tr>
      <td>
        <Cell
          name="load-name"
          label="Markup"
          shown={load.name}
          readOnly={readOnly}
          commit={(text) => text.trim() && change({ name: text.trim().slice(0, 200) })}
        />
        <Select<Load['kind']>
          size="small"
          variant="borderless"
          popupMatchSelectWidth={false}
          className="load-kind"
          aria-label={`${load.name}: what it is`}
          disabled={readOnly}
          value={load.kind}
          onChange={(kind) => change({ kind })}
          options={kinds.map((kind) => ({ value: kind, label: kind }))}
        />
      </td>
      <td className="cell-narrow">
        <Cell
          name="percent"
          label={`${load.name}, percent`}
          align="right"
          shown={load.percent}
          readOnly={readOnly}
          commit={(text) => change(readMarkup(text, load.base))}
        />
        <span className="soft load-other">{inOtherWords(load)}</span>
      </td>
      <td>
        <div className="load-base">
          <Select
            size="small"
            popupMatchSelectWidth={false}
            aria-label={`${load.name}: percent of`}
            disabled={readOnly}
            value={load.base as string}
            onChange={(base) => change({ base: base as Load['base'] })}
            options={Object.entries(bases).map(([value, label]) => ({ value, label }))}
          />
          <Select<CostType[]>
            size="small"
            mode="multiple"
            popupMatchSelectWidth={false}
            showSearch={false}
            maxTagCount="responsive"
            className="load-costs"
            aria-label={`${load.name}: on which costs`}
            disabled={readOnly}
            placeholder="all costs"
            value={[...(load.costTypes ?? [])]}
            // All of them picked are all costs.
            onChange={(picked) => change({ costTypes: picked.length === costTypes.length ? [] : picked })}
            options={costChoices}
          />
        </div>
      </td>
      {amount !== undefined && <td className="amount">{amount}</td>}
      <td className="load-acts">
        {!readOnly && (
          <EntryActs name={load.name} first={first} last={last} move={move} remove={() => change(null)} />
        )}
      </td>
    </tr>
  );
}

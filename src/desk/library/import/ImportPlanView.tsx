'use client';

import { Segmented } from 'antd';
import { useState } from 'react';
import type { ImportPreview } from '@/services/library/importItems';
import { parseFixed, showUnitAmount } from '@/core/number';
import { unitName } from '@/model';
import { PlainTable } from '@/ui/tables/PlainTable';

type Kind = 'added' | 'changed' | 'refused';
const titles: Record<Kind, string> = { added: 'new', changed: 'changed', refused: 'refused' };

const row = {
  key: 'row',
  title: 'Row',
  cell: ({ row }: { row: number }) => <span className="soft">{row}</span>,
};
const code = { key: 'code', title: 'Code', cell: ({ code }: { code: string }) => code };
const name = { key: 'name', title: 'Name', cell: ({ name }: { name: string }) => name };

/** The rows of one kind, with what would happen to each. */
function PlanRows({ preview, kind }: { readonly preview: ImportPreview; readonly kind: Kind }) {
  switch (kind) {
    case 'added':
      return (
        <PlainTable
          label="Rows that are new"
          rows={preview.added}
          rowKey={({ row }) => row}
          columns={[
            row,
            code,
            name,
            { key: 'unit', title: 'Unit', cell: ({ unit }) => unitName(unit) },
            { key: 'cost', title: 'Unit cost', figure: true, cell: ({ unitCost }) => unitCost },
          ]}
        />
      );
    case 'changed':
      return (
        <PlainTable
          label="Rows that change something"
          rows={preview.changed}
          rowKey={({ row }) => row}
          columns={[
            row,
            code,
            name,
            {
              key: 'changes',
              title: 'Was → will be',
              cell: ({ changes }) => changes.map((change) => <div key={change}>{change}</div>),
            },
            {
              key: 'before',
              title: 'Unit cost was',
              figure: true,
              cell: ({ cost }) => cost && showUnitAmount(parseFixed(cost.before)),
            },
            {
              key: 'after',
              title: 'Will be',
              figure: true,
              cell: ({ cost }) => cost && showUnitAmount(parseFixed(cost.after)),
            },
            { key: 'moves', title: 'Moves', figure: true, cell: ({ cost }) => cost?.percent ?? '' },
          ]}
        />
      );
    case 'refused':
      return (
        <PlainTable
          label="Rows that are left out"
          rows={preview.refused}
          rowKey={({ row }) => row}
          columns={[
            row,
            code,
            { key: 'why', title: 'Why', cell: ({ why }) => <span className="wrong">{why}</span> },
          ]}
        />
      );
  }
}

/** What the import would do, row by row. */
export function ImportPlanView({ preview }: { preview: ImportPreview }) {
  const { counts, moves } = preview;
  const first: Kind = counts.refused > 0 ? 'refused' : counts.changed > 0 ? 'changed' : 'added';
  const [kind, setKind] = useState<Kind>(first);
  const rows = preview[kind];
  return (
    <section>
      <h2>What would happen</h2>
      <div className="library-bar">
        <Segmented
          aria-label="Rows shown"
          value={kind}
          options={(['added', 'changed', 'refused'] as const).map((each) => ({
            value: each,
            label: `${counts[each]} ${titles[each]}`,
          }))}
          onChange={(each: Kind) => setKind(each)}
        />
        <span className="soft">{counts.left} as they are in the library</span>
      </div>
      {kind === 'changed' && moves.rise + moves.fall > 0 && (
        <p>
          {[
            moves.rise > 0 ? `${moves.rise} ${moves.rise === 1 ? 'cost rises' : 'costs rise'}` : '',
            moves.fall > 0 ? `${moves.fall} ${moves.fall === 1 ? 'falls' : 'fall'}` : '',
          ]
            .filter(Boolean)
            .join(', ')}
          {moves.middle !== null && `, in the middle of them by ${moves.middle}`}. What moves furthest stands
          first.
        </p>
      )}
      {rows.length === 0 ? <p className="empty">None.</p> : <PlanRows preview={preview} kind={kind} />}
      {rows.length < counts[kind] && (
        <p className="soft">
          The first {rows.length} of {counts[kind]}.
        </p>
      )}
    </section>
  );
}

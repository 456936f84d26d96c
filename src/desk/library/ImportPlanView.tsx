'use client';

import { Segmented } from 'antd';
import { useState } from 'react';
import type { ImportPreview } from '@/services/library/importItems';
import { unitName } from '@/model';

type Kind = 'added' | 'changed' | 'refused';
const titles: Record<Kind, string> = { added: 'new', changed: 'changed', refused: 'refused' };

/** What the import would do, row by row. */
export function ImportPlanView({ preview }: { preview: ImportPreview }) {
  const { counts } = preview;
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
      {rows.length === 0 ? (
        <p className="empty">None.</p>
      ) : (
        <table className="table-plain">
          <thead>
            <tr>
              <th>Row</th>
              <th>Code</th>
              {kind !== 'refused' && <th>Name</th>}
              {kind === 'added' && <th>Unit</th>}
              {kind === 'added' && <th className="amount">Unit cost</th>}
              {kind === 'changed' && <th>Was → will be</th>}
              {kind === 'refused' && <th>Why</th>}
            </tr>
          </thead>
          <tbody>
            {kind === 'added' &&
              preview.added.map(({ row, code, name, unit, unitCost }) => (
                <tr key={row}>
                  <td className="soft">{row}</td>
                  <td>{code}</td>
                  <td>{name}</td>
                  <td>{unitName(unit)}</td>
                  <td className="amount">{unitCost}</td>
                </tr>
              ))}
            {kind === 'changed' &&
              preview.changed.map(({ row, code, name, changes }) => (
                <tr key={row}>
                  <td className="soft">{row}</td>
                  <td>{code}</td>
                  <td>{name}</td>
                  <td>
                    {changes.map((change) => (
                      <div key={change}>{change}</div>
                    ))}
                  </td>
                </tr>
              ))}
            {kind === 'refused' &&
              preview.refused.map(({ row, code, why }) => (
                <tr key={row}>
                  <td className="soft">{row}</td>
                  <td>{code}</td>
                  <td className="wrong">{why}</td>
                </tr>
              ))}
          </tbody>
        </table>
      )}
      {rows.length < counts[kind] && (
        <p className="soft">
          The first {rows.length} of {counts[kind]}.
        </p>
      )}
    </section>
  );
}

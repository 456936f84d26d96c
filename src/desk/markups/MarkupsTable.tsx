'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { produce } from 'immer';
import { moveLoad, setLoad } from '@/core/editing';
import type { Load } from '@/model';
import { MarkupRow } from './MarkupRow';

/** The most markups anything is priced with. */
export const MOST_LOADS = 12;

/** Markups of their own, from cost to price: added, named, ordered, taken out, by cost type, as markup or as margin. */
export function MarkupsTable({
  label,
  loads,
  readOnly,
  change,
}: {
  readonly label: string;
  readonly loads: readonly Load[];
  readonly readOnly: boolean;
  readonly change: (loads: Load[]) => void;
}) {
  const edit = (work: (draft: { loads: Load[] }) => void) =>
    change(produce({ loads: [...loads] }, (draft) => work(draft)).loads);
  return (
    <div>
      <table className="table-plain loads-table" aria-label={label}>
        <colgroup>
          <col />
          <col style={{ width: 122 }} />
          <col style={{ width: 196 }} />
          <col style={{ width: 92 }} />
        </colgroup>
        <tbody>
          {loads.map((load, i) => (
            <MarkupRow
              key={load.id}
              load={load}
              first={i === 0}
              last={i === loads.length - 1}
              readOnly={readOnly}
              change={(next) => edit((draft) => setLoad(draft, load.id, next))}
              move={(by) => edit((draft) => moveLoad(draft, load.id, by))}
            />
          ))}
        </tbody>
      </table>
      {!readOnly && loads.length < MOST_LOADS && (
        <Button
          size="small"
          icon={<PlusOutlined />}
          onClick={() => edit((draft) => setLoad(draft, crypto.randomUUID(), {}))}
        >
          Markup
        </Button>
      )}
    </div>
  );
}

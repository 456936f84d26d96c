'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { setLoad } from '@/core/editing';
import type { LoadSet } from '@/model';
import { MOST_LOADS } from '../../../markups/MarkupsTable';
import { newPartId, useEditor } from '../context';
import { LoadRow } from './LoadRow';
import { DiscountColumns, WholeDiscount } from './WholeDiscount';

/** From cost to price: the loads in their order, and the discount on the whole. */
export function LoadsTable({ loadSets }: { loadSets: readonly LoadSet[] }) {
  const { work, readOnly } = useEditor();
  const { document: proposal, edit } = work;
  return (
    <>
      <div className="choices-head">
        <h2>From cost to price</h2>
        {!readOnly && loadSets.length > 0 && (
          <Select
            size="small"
            popupMatchSelectWidth={false}
            aria-label="Price the whole by"
            value=""
            onChange={(picked: string) => {
              const wanted = loadSets.find(({ id }) => id === picked);
              if (wanted)
                edit((draft) => {
                  draft.loads = structuredClone(wanted.loads);
                });
            }}
            options={[
              { value: '', label: 'price the whole by …' },
              ...loadSets.map(({ id, name }) => ({ value: id, label: name })),
            ]}
          />
        )}
      </div>
      <table className="table-plain loads-table">
        <DiscountColumns />
        <tbody>
          {proposal.loads.map((load, i, all) => (
            <LoadRow key={load.id} load={load} first={i === 0} last={i === all.length - 1} />
          ))}
          <WholeDiscount />
        </tbody>
      </table>
      {!readOnly && proposal.loads.length < MOST_LOADS && (
        <Button
          size="small"
          icon={<PlusOutlined />}
          onClick={() => edit((draft) => setLoad(draft, newPartId(), {}))}
        >
          Markup
        </Button>
      )}
    </>
  );
}

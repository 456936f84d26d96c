'use client';

import { costTypeName } from '@/core/text/names';
import { PlusOutlined } from '@ant-design/icons';
import { App, Button, Segmented, Select } from 'antd';
import { useState } from 'react';
import { setLoad } from '@/core/editing';
import { negateAmount, showAmount } from '@/core/number';
import type { CostType, Load, LoadSet } from '@/model';
import { costTypes } from '@/model';
import { newPartId, useEditor } from '../context';
import { Cell } from '@/ui/live/Cell';
import { readDiscount, readPercent } from '@/core/quantity';

const bases: Record<Load['base'], string> = {
  direct: '% of direct cost',
  running: '% of running amount',
  price: '% of the price',
};
const kinds: Load['kind'][] = ['overhead', 'profit', 'bond', 'contingency'];

/** From cost to price: the loads in their order, and the discount on the whole. */
export function LoadsTable({ loadSets }: { loadSets: readonly LoadSet[] }) {
  const { work, figures, readOnly } = useEditor();
  const { document: proposal, edit } = work;
  const change = (id: string, next: Partial<Load> | null) => edit((draft) => setLoad(draft, id, next));
  const amountOf = (load: Load) =>
    figures.loads.find((each) => each.load.id === load.id)?.amount ?? (0n as typeof figures.cost);
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
        <colgroup>
          <col />
          <col style={{ width: 116 }} />
          <col style={{ width: 64 }} />
          <col style={{ width: 272 }} />
          <col style={{ width: 86 }} />
          <col style={{ width: 30 }} />
        </colgroup>
        <tbody>
          {proposal.loads.map((load) => (
            <tr key={load.id}>
              <td>
                <Cell
                  name="load-name"
                  label="Markup"
                  shown={load.name}
                  readOnly={readOnly}
                  commit={(text) => text.trim() && change(load.id, { name: text.trim().slice(0, 200) })}
                />
              </td>
              <td>
                <Select
                  size="small"
                  popupMatchSelectWidth={false}
                  aria-label={`${load.name}: what it is`}
                  disabled={readOnly}
                  value={load.kind}
                  onChange={(picked: string) => change(load.id, { kind: picked as Load['kind'] })}
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
                  commit={(text) =>
                    change(load.id, { percent: readPercent(text, load.base === 'price' ? 99 : 999) })
                  }
                />
              </td>
              <td>
                <div className="load-base">
                  <Select
                    size="small"
                    popupMatchSelectWidth={false}
                    aria-label={`${load.name}: percent of`}
                    disabled={readOnly}
                    value={load.base}
                    onChange={(picked: string) => change(load.id, { base: picked as Load['base'] })}
                    options={[
                      ...Object.entries(bases).map(([base, words]) => ({ value: base, label: words })),
                    ]}
                  />
                  <Select
                    size="small"
                    popupMatchSelectWidth={false}
                    aria-label={`${load.name}: on which costs`}
                    disabled={readOnly}
                    value={load.costTypes?.join() ?? ''}
                    onChange={(picked: string) =>
                      change(load.id, {
                        costTypes: picked === '' ? [] : (picked.split(',') as CostType[]),
                      })
                    }
                    options={[
                      { value: '', label: 'all costs' },
                      ...costTypes.map((type) => ({ value: type, label: `${costTypeName(type)} only` })),
                      ...(load.costTypes && load.costTypes.length > 1
                        ? [
                            {
                              value: load.costTypes.join(),
                              label: load.costTypes.map(costTypeName).join(' and '),
                            },
                          ]
                        : []),
                    ]}
                  />
                </div>
              </td>
              <td className="amount">{showAmount(amountOf(load), figures.minorDigits)}</td>
              <td className="row-more">
                {!readOnly && (
                  <button
                    type="button"
                    className="grip grip-on"
                    aria-label={`Remove ${load.name}`}
                    onClick={() => change(load.id, null)}
                  >
                    ×
                  </button>
                )}
              </td>
            </tr>
          ))}
          <WholeDiscount />
        </tbody>
      </table>
      {!readOnly && proposal.loads.length < 12 && (
        <Button size="small" icon={<PlusOutlined />} onClick={() => change(newPartId(), {})}>
          Markup
        </Button>
      )}
    </>
  );
}

/** The discount on the whole: an amount or a share; `5%` is a share whatever the switch says. */
function WholeDiscount() {
  const { work, figures, readOnly } = useEditor();
  const { document: proposal, edit } = work;
  const { discount } = proposal;
  const { message } = App.useApp();
  const [wanted, setWanted] = useState<'amount' | 'percent'>('amount');
  const unit = discount ? ('percent' in discount ? 'percent' : 'amount') : wanted;
  const number = discount ? ('percent' in discount ? discount.percent : discount.amount) : '';
  const put = (text: string, as: typeof unit) => {
    const next = readDiscount(
      as === 'percent' && text.trim() !== '' ? `${text}%` : text,
      figures.minorDigits,
    );
    edit((draft) => {
      if (next === null) delete draft.discount;
      else draft.discount = next;
    });
  };
  return (
    <tr>
      <td>Discount on the whole</td>
      <td />
      <td className="cell-narrow">
        <Cell
          name="discount"
          label="Discount on the whole"
          align="right"
          shown={number}
          placeholder="none"
          readOnly={readOnly}
          commit={(text) => put(text, unit)}
        />
      </td>
      <td>
        <Segmented<'amount' | 'percent'>
          size="small"
          disabled={readOnly}
          options={[
            { value: 'amount', label: proposal.currency },
            { value: 'percent', label: '%' },
          ]}
          value={unit}
          onChange={(next) => {
            // The number stays, in the other unit, where it can.
            try {
              if (discount) put(number, next);
              setWanted(next);
            } catch (error) {
              message.error((error as Error).message);
            }
          }}
        />
      </td>
      <td className="amount">
        {figures.discount === 0n ? '' : showAmount(negateAmount(figures.discount), figures.minorDigits)}
      </td>
      <td />
    </tr>
  );
}

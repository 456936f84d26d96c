'use client';

import { Dropdown } from 'antd';
import { useState } from 'react';
import { MoreOutlined, UndoOutlined } from '@ant-design/icons';
import type { SizedPart } from '@/core/bundle';
import { showValue } from '@/core/bundle';
import { changePart, costsAlike, revertPart } from '@/core/editing';
import { showAmount, showQuantity, showUnitAmount, writeFixed } from '@/core/number';
import type { SectionLine } from '@/core/price';
import { itemUnitCost } from '@/core/price';
import { unitName } from '@/model';
import { useEditorActions } from '../context';
import { Cell } from '@/ui/live/Cell';
import { OptionalCells, showHours, showMargin } from './OptionalCells';
import { WhyDialog } from './WhyDialog';

const why = {
  grade: 'not in this grade',
  condition: 'not needed here',
  job: 'left out on this job',
} as const;

/** One part of an opened bundle: what it comes to, and cells to change it for this job only. */
export function PartRow({
  part,
  figures,
  bundleId,
}: {
  readonly part: SizedPart;
  /** Null where the part is not there. */
  readonly figures: SectionLine | null;
  readonly bundleId: string;
}) {
  const { edit, readOnly, minorDigits, moved, columns } = useEditorActions();
  const [asked, setWhy] = useState(false);
  const { path, line, change, trouble, absent } = part;
  const depth = path.split('.').length - 1;
  const nothing = line === null || absent !== null;
  const now = line?.itemId === undefined ? undefined : moved[line.itemId];
  const revert = () => edit((draft) => revertPart(draft, bundleId, path));
  if (line === null || figures === null)
    return (
      <tr className="row row-part row-part-absent">
        <td />
        <td>
          <span className="part-name" style={{ paddingLeft: 34 + depth * 14 }}>
            {line?.description ?? part.name.replace(/_/g, ' ')}
          </span>
        </td>
        <td className="amount part-figure">
          {line === null && part.value && absent === null ? showValue(part.value) : ''}
        </td>
        <td colSpan={2 + columns.length} className={trouble ? 'wrong part-why' : 'soft part-why'}>
          {trouble?.message ?? (absent ? why[absent] : `= ${part.formula}`)}
        </td>
        <td className="row-more">
          {!readOnly && change && (
            <button
              type="button"
              className="grip part-revert"
              aria-label={`Undo the change of ${part.name}`}
              onClick={revert}
            >
              <UndoOutlined aria-hidden="true" />
            </button>
          )}
        </td>
      </tr>
    );
  return (
    <tr className={`row row-part ${change ? 'row-part-changed' : ''}`} data-part={path}>
      <td className="row-grip">
        {!readOnly && change && (
          <button
            type="button"
            className="grip part-revert"
            aria-label={`Undo the change of ${line.description}`}
            title="Undo the change"
            onClick={revert}
          >
            <UndoOutlined aria-hidden="true" />
          </button>
        )}
      </td>
      <td>
        <div className="row-name" style={{ paddingLeft: 26 + depth * 14 }}>
          <Cell
            name="description"
            label="Part"
            shown={line.description}
            mark={change?.description ? 'typed' : undefined}
            readOnly={readOnly}
            commit={(text) => edit((draft) => changePart(draft, bundleId, path, { description: text }))}
          />
        </div>
        {trouble && <span className="row-remark part-remark wrong">{trouble.message}</span>}
        {part.replaced !== null && (
          <span className="row-remark part-remark wrong">
            quantity changed on this job, the bundle has {part.replaced}
          </span>
        )}
        {change?.item && <span className="row-remark part-remark wrong">another item on this job</span>}
        {figures.cost.replaced !== null && (
          <span className="row-remark part-remark wrong">
            cost changed, library has {showUnitAmount(figures.cost.replaced)}
          </span>
        )}
        {now && !costsAlike(line, now) && (
          <span className="row-remark part-remark wrong">
            the library has {showUnitAmount(itemUnitCost(now.costs))} now
          </span>
        )}
        {figures.minimumApplied && <span className="row-remark part-remark soft">minimum charge</span>}
      </td>
      <td title={part.formula}>
        <Cell
          name="quantity"
          label={`Quantity of ${line.description}`}
          align="right"
          shown={showQuantity(figures.quantity)}
          typed={part.formula}
          mark={trouble ? 'open' : change?.quantity ? 'typed' : undefined}
          readOnly={readOnly}
          commit={(text) => edit((draft) => changePart(draft, bundleId, path, { quantity: text }))}
        />
      </td>
      <td className="row-unit">{unitName(line.unit)}</td>
      <OptionalCells
        cells={{
          code: line.code,
          costCode: line.costCode,
          hours: showHours([figures]),
          margin: showMargin(figures.net, figures.costAmount),
          cost: (
            <Cell
              name="cost"
              label={`Unit cost of ${line.description}`}
              align="right"
              shown={showUnitAmount(figures.cost.total)}
              typed={writeFixed(figures.cost.total)}
              mark={figures.cost.replaced === null ? undefined : 'typed'}
              readOnly={readOnly}
              commit={(text) => edit((draft) => changePart(draft, bundleId, path, { typedCost: text }))}
            />
          ),
          price: (
            <Cell
              name="price"
              label={`Unit price of ${line.description}`}
              align="right"
              shown={showUnitAmount(figures.unitPrice)}
              typed={writeFixed(figures.unitPrice)}
              mark={figures.held ? 'typed' : figures.shaped ? 'follows' : undefined}
              readOnly={readOnly}
              commit={(text) => edit((draft) => changePart(draft, bundleId, path, { heldPrice: text }))}
            />
          ),
        }}
      />
      <td className="amount row-amount">{nothing ? '' : showAmount(figures.net, minorDigits)}</td>
      <td className="row-more">
        {!readOnly && (
          <Dropdown
            trigger={['click']}
            menu={{
              onClick: ({ key }) => {
                if (key === 'why') setWhy(true);
                if (key === 'out') edit((draft) => changePart(draft, bundleId, path, { out: true }));
                if (key === 'overtime')
                  edit((draft) => changePart(draft, bundleId, path, { overtime: change?.overtime !== true }));
                if (key === 'revert') revert();
              },
              items: [
                { key: 'why', label: 'Why this amount' },
                { key: 'out', label: 'Leave it out on this job' },
                {
                  key: 'overtime',
                  label: change?.overtime ? 'Labor at the normal rate' : 'Labor at the overtime rate',
                },
                ...(change ? [{ key: 'revert', label: 'Undo the change' }] : []),
              ],
            }}
          >
            <button type="button" className="grip" aria-label={`More for ${line.description}`} tabIndex={-1}>
              <MoreOutlined aria-hidden="true" />
            </button>
          </Dropdown>
        )}
        {asked && <WhyDialog lineId={line.id} name={line.description} close={() => setWhy(false)} />}
      </td>
    </tr>
  );
}

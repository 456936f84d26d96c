'use client';

import type { SizedPart } from '@/core/bundle';
import { showValue } from '@/core/bundle';
import { changePart, costsAlike, saidOtherwise } from '@/core/editing';
import { showAmount, showQuantity, showUnitAmount, writeFixed } from '@/core/number';
import type { SectionLine } from '@/core/price';
import { costInAll, itemUnitCost } from '@/core/price';
import { onOrder } from '@/core/explain';
import type { Line } from '@/model';
import { unitName } from '@/model';
import { useEditorActions } from '../context';
import { Cell } from '@/ui/live/Cell';
import { COMES, OptionalCells, showHours, showMargin } from './OptionalCells';
import { PartMenu, RevertPart } from './PartMenu';

interface PartRowProps {
  readonly part: SizedPart;
  /** Null where the part is not there. */
  readonly figures: SectionLine | null;
  readonly bundleId: string;
}

const why = {
  grade: 'not in this grade',
  condition: 'not needed here',
  job: 'left out on this job',
} as const;

/** How far a part stands in: by how many bundles it is inside. */
const indent = (part: SizedPart, first: number) => ({
  paddingLeft: first + (part.path.split('.').length - 1) * 14,
});

/** A part that is not there, or is a figure only: why, or what it comes to. */
function AbsentPart({ part, bundleId }: PartRowProps) {
  const { columns, measuring } = useEditorActions();
  const { line, trouble, absent, value } = part;
  return (
    <tr className="row row-part row-part-absent">
      <td />
      <td>
        <span className="part-name" style={indent(part, 34)}>
          {line?.description ?? part.name.replace(/_/g, ' ')}
        </span>
      </td>
      <td className="amount part-figure">
        {line === null && value && absent === null ? showValue(value, measuring) : ''}
      </td>
      <td colSpan={2 + columns.length} className={trouble ? 'wrong part-why' : 'soft part-why'}>
        {trouble?.message ?? (absent ? why[absent] : `= ${part.formula}`)}
      </td>
      <td className="row-more">
        <RevertPart part={part} bundleId={bundleId} name={part.name} />
      </td>
    </tr>
  );
}

/** What there is to say of a part: what is wrong or changed on this job, and what is only good to know. */
function PartRemarks({
  part: { trouble, replaced, change },
  figures,
  line,
}: {
  readonly part: SizedPart;
  readonly figures: SectionLine;
  readonly line: Line;
}) {
  const { moved } = useEditorActions();
  const now = line.itemId === undefined ? undefined : moved[line.itemId];
  const wrong = [
    trouble?.message,
    replaced !== null && `quantity changed on this job, the bundle has ${replaced}`,
    change?.item && 'another item on this job',
    ...saidOtherwise(line),
    figures.cost.replaced !== null && `cost changed, library has ${showUnitAmount(figures.cost.replaced)}`,
    now && !costsAlike(line, now) && `the library has ${showUnitAmount(itemUnitCost(now.costs))} now`,
  ].filter(Boolean);
  return (
    <>
      {wrong.map((remark) => (
        <span key={String(remark)} className="row-remark part-remark wrong">
          {remark}
        </span>
      ))}
      {[figures.minimumApplied && 'minimum charge', ...onOrder(figures)].filter(Boolean).map((remark) => (
        <span key={String(remark)} className="row-remark part-remark soft">
          {remark}
        </span>
      ))}
    </>
  );
}

/** One part of an opened bundle: what it comes to, and cells to change it for this job only. */
export function PartRow({ part, figures, bundleId }: PartRowProps) {
  const { edit, readOnly, minorDigits } = useEditorActions();
  const { path, line, change, trouble, absent } = part;
  if (line === null || figures === null)
    return <AbsentPart part={part} figures={figures} bundleId={bundleId} />;
  const set = (to: Parameters<typeof changePart>[3]) =>
    edit((draft) => changePart(draft, bundleId, path, to));
  return (
    <tr className={`row row-part ${change ? 'row-part-changed' : ''}`} data-part={path}>
      <td className="row-grip">
        <RevertPart part={part} bundleId={bundleId} name={line.description} />
      </td>
      <td>
        <div className="row-name" style={indent(part, 26)}>
          <Cell
            name="description"
            label="Part"
            shown={line.description}
            mark={change?.description ? 'typed' : undefined}
            readOnly={readOnly}
            commit={(text) => set({ description: text })}
          />
        </div>
        <PartRemarks part={part} figures={figures} line={line} />
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
          commit={(text) => set({ quantity: text })}
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
              shown={showUnitAmount(costInAll(figures))}
              typed={writeFixed(figures.cost.total)}
              mark={figures.cost.replaced === null ? undefined : 'typed'}
              readOnly={readOnly}
              commit={(text) => set({ typedCost: text })}
            />
          ),
          price: (
            <Cell
              name="price"
              label={`Unit price of ${line.description}`}
              align="right"
              shown={figures.unpriced ? COMES : showUnitAmount(figures.unitPrice)}
              typed={figures.unpriced ? '' : writeFixed(figures.unitPrice)}
              mark={figures.held ? 'typed' : figures.shaped ? 'follows' : undefined}
              readOnly={readOnly}
              commit={(text) => set({ heldPrice: text })}
            />
          ),
        }}
      />
      <td className="amount row-amount">
        {absent === null ? (figures.unpriced ? COMES : showAmount(figures.net, minorDigits)) : ''}
      </td>
      <td className="row-more">
        <PartMenu part={part} bundleId={bundleId} line={line} />
      </td>
    </tr>
  );
}

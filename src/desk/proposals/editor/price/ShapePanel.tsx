'use client';

import { Button } from 'antd';
import { resilience } from '@/core/insight';
import { showPercent } from '@/core/number';
import { withPrices } from '@/core/shaping';
import { costTypeName } from '@/core/text/names';
import { useEditor } from '../context';
import { usePut } from './put';
import { ShapeAnswer } from './ShapeAnswer';
import { ShapeTarget } from './ShapeTarget';
import { useShape } from './useShape';

/** The price shaped to a target: shown first, applied on a press, taken back by one undo. */
export function ShapePanel() {
  const { work, figures, readOnly } = useEditor();
  const shape = useShape();
  const put = usePut();
  const shapedLines = figures.sections.flatMap(({ lines }) => lines.filter(({ shaped }) => shaped));
  const letFollow = () =>
    put(withPrices(work.document, new Map(shapedLines.map(({ line }) => [line.id, null] as const))));
  const overruns = resilience(figures)
    .filter(({ overrun, cost }) => overrun !== null && cost > 0n && figures.profit > 0n)
    .map(({ costType, overrun }) => `${costTypeName(costType)} ${showPercent(overrun!)} %`);
  return (
    <section className="shape" aria-label="Shape the price">
      <h2>Shape the price</h2>
      {!readOnly && <ShapeTarget shape={shape} />}
      {shape.trouble && <p className="wrong">{shape.trouble}</p>}
      {shape.shaped && <ShapeAnswer shaped={shape.shaped} kind={shape.kind} done={() => shape.setText('')} />}
      {shapedLines.length > 0 && !readOnly && (
        <p>
          {shapedLines.length} prices are set by shaping and do not follow their costs.{' '}
          <Button size="small" onClick={letFollow}>
            Let them follow again
          </Button>
        </p>
      )}
      <p className="soft">{overruns.join(' · ') || 'No profit yet'} of overrun would take all the profit.</p>
    </section>
  );
}

'use client';

import { showAmount } from '@/core/number';
import type { BundleFigures } from '@/core/price';
import { unitName } from '@/model';
import { useEditorActions } from '../context';
import { BundleMenu } from './BundleMenu';
import { BundleName } from './BundleName';
import { COMES, OptionalCells, showHours, showMargin } from './OptionalCells';
import { useBundleActs } from './useBundleActs';
import { useDraggedRow } from './useDraggedRow';

interface BundleRowProps {
  readonly figures: BundleFigures;
  readonly sectionId: string;
  readonly sectionTitle: string | undefined;
  readonly open: boolean;
  readonly selected: boolean;
  readonly openLibrary: () => void;
}

/** A bundle as one row: its name, its size in words, what it comes to. Opened, its inputs and parts stand below. */
export function BundleRow(props: BundleRowProps) {
  const { figures, sectionId, sectionTitle, open, selected, openLibrary } = props;
  const { readOnly, setTarget, minorDigits } = useEditorActions();
  const { bundle, sized, included } = figures;
  const { row, grip, isDragging } = useDraggedRow(bundle.id, sized.name);
  const { acts, onKeyDown } = useBundleActs(bundle, openLibrary);
  const looks = [
    'row row-bundle',
    selected && 'row-selected',
    bundle.extra && 'row-choice',
    !included && 'row-out',
    isDragging && 'row-dragging',
  ];
  return (
    <tr
      {...row}
      data-row={bundle.id}
      aria-selected={selected || undefined}
      className={looks.filter(Boolean).join(' ')}
      onKeyDown={onKeyDown}
      onFocus={() => setTarget({ kind: 'section', sectionId, afterId: bundle.id })}
    >
      <td className="row-grip">{grip}</td>
      <td colSpan={3}>
        <BundleName figures={figures} open={open} />
      </td>
      <OptionalCells
        cells={{
          section: sectionTitle,
          code: bundle.code,
          hours: showHours(figures.lines),
          cost: <span className="amount row-cost soft">{showAmount(figures.cost, minorDigits)}</span>,
          price: <span className="amount row-cost soft">{unitName('job')}</span>,
          margin: showMargin(figures.net, figures.cost),
          room: bundle.room,
          phase: bundle.phase,
        }}
      />
      <td className="amount row-amount">
        {figures.lines.some(({ unpriced }) => unpriced) ? COMES : showAmount(figures.net, minorDigits)}
      </td>
      <td className="row-more">
        {!readOnly && <BundleMenu bundle={bundle} name={sized.name} open={open} acts={acts} />}
      </td>
    </tr>
  );
}

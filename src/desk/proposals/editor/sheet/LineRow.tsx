'use client';

import { memo } from 'react';
import type { SectionLine } from '@/core/price';
import type { Line } from '@/model';
import { useEditorActions } from '../context';
import { LineFigures } from './LineFigures';
import { LineMenu } from './LineMenu';
import { LineName } from './LineName';
import { useDraggedRow } from './useDraggedRow';
import type { Inner } from './useLineActs';
import { useLineActs } from './useLineActs';

interface RowProps {
  readonly line: Line;
  readonly figures: SectionLine;
  readonly sectionId: string;
  readonly sectionTitle: string | undefined;
  readonly inner: Inner;
  readonly selected: boolean;
}

/** One line of the sheet. */
export const LineRow = memo(function LineRow(props: RowProps) {
  const { line, figures, sectionId, sectionTitle, inner, selected } = props;
  const { readOnly, setTarget } = useEditorActions();
  const { row, grip, isDragging } = useDraggedRow(line.id, line.description, inner !== null);
  const { acts, onKeyDown } = useLineActs(line, figures, inner);
  const looks = [
    'row',
    selected && 'row-selected',
    line.extra && 'row-choice',
    inner && 'row-inner',
    !figures.included && 'row-out',
    isDragging && 'row-dragging',
  ];
  return (
    <tr
      {...row}
      data-row={line.id}
      aria-selected={selected || undefined}
      className={looks.filter(Boolean).join(' ')}
      onKeyDown={onKeyDown}
      onFocus={() => {
        if (!inner) setTarget({ kind: 'section', sectionId, afterId: line.id });
      }}
    >
      <td className="row-grip">{grip}</td>
      <td>
        <LineName line={line} figures={figures} />
      </td>
      <LineFigures line={line} figures={figures} inner={inner} sectionTitle={sectionTitle} />
      <td className="row-more">{!readOnly && <LineMenu line={line} inner={inner} acts={acts} />}</td>
    </tr>
  );
});

'use client';

import { HolderOutlined } from '@ant-design/icons';
import { useSortable } from '@dnd-kit/sortable';
import { memo } from 'react';
import type { SectionLine } from '@/core/price';
import type { Line } from '@/model';
import { useEditorActions } from '../context';
import { LineFigures } from './LineFigures';
import { LineMenu } from './LineMenu';
import { LineName } from './LineName';
import type { Inner } from './useLineActs';
import { useLineActs } from './useLineActs';

interface RowProps {
  readonly line: Line;
  readonly figures: SectionLine;
  readonly sectionId: string;
  readonly inner: Inner;
  readonly selected: boolean;
}

/** One line of the sheet. */
export const LineRow = memo(function LineRow({ line, figures, sectionId, inner, selected }: RowProps) {
  const { readOnly, setTarget, select } = useEditorActions();
  const { setNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id: line.id,
    disabled: readOnly || inner !== null,
  });
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
      ref={setNodeRef}
      data-row={line.id}
      aria-selected={selected || undefined}
      className={looks.filter(Boolean).join(' ')}
      style={transform ? { transform: `translateY(${transform.y}px)`, transition } : undefined}
      onKeyDown={onKeyDown}
      onFocus={() => {
        if (!inner) setTarget({ kind: 'section', sectionId, afterId: line.id });
      }}
    >
      <td className="row-grip">
        {!inner && !readOnly && (
          <button
            type="button"
            className="grip"
            aria-label={`Move ${line.description}`}
            onClick={(event) => select(line.id, event.shiftKey ? 'to' : 'one')}
            {...attributes}
            {...listeners}
            tabIndex={-1}
          >
            <HolderOutlined aria-hidden="true" />
          </button>
        )}
      </td>
      <td>
        <LineName line={line} figures={figures} />
      </td>
      <LineFigures line={line} figures={figures} inner={inner} />
      <td className="row-more">{!readOnly && <LineMenu line={line} inner={inner} acts={acts} />}</td>
    </tr>
  );
});

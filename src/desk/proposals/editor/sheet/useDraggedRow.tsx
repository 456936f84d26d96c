import { HolderOutlined } from '@ant-design/icons';
import { useSortable } from '@dnd-kit/sortable';
import type { ReactNode } from 'react';
import { useEditorActions } from '../context';

/**
 * A row that can be dragged by its grip, and selected by a click on it.
 * @param fixed it stands in another part and is not dragged
 */
export function useDraggedRow(id: string, name: string, fixed = false) {
  const { readOnly, select } = useEditorActions();
  const { setNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id,
    disabled: readOnly || fixed,
  });
  const grip: ReactNode = !fixed && !readOnly && (
    <button
      type="button"
      className="grip"
      aria-label={`Move ${name}`}
      onClick={(event) => select(id, event.shiftKey ? 'to' : 'one')}
      {...attributes}
      {...listeners}
      tabIndex={-1}
    >
      <HolderOutlined aria-hidden="true" />
    </button>
  );
  return {
    grip,
    isDragging,
    row: {
      ref: setNodeRef,
      style: transform ? { transform: `translateY(${transform.y}px)`, transition } : undefined,
    },
  };
}

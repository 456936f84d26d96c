import type { KeyboardEvent } from 'react';
import { usualAllowance } from '@/core/allowance';
import { askAbout, duplicateEntry, moveBy, removePart, setAllowance, setExtra } from '@/core/editing';
import type { SectionLine } from '@/core/price';
import type { Line } from '@/model';
import { newPartId, useEditorActions } from '../context';

/** What stands around a line: it may be an alternative's or a bundle's own. */
export type Inner = 'alternative' | 'bundle' | null;

export type LineAct = 'details' | 'extra' | 'allowance' | 'question' | 'copy' | 'up' | 'down' | 'remove';

const inRow = (id: string, cell: string | undefined) =>
  document.querySelector<HTMLElement>(`[data-row="${id}"] [data-cell="${cell}"]`);

/** The first field of a line's details, once they are drawn. */
const intoDetails = (id: string) =>
  requestAnimationFrame(() =>
    document.querySelector<HTMLElement>(`[data-key="${id} details"] :is(input, textarea)`)?.focus(),
  );

/** Back from a line's details to the line. */
export const backToLine = (id: string): void => inRow(id, 'description')?.focus();

const blurActive = () => (document.activeElement as HTMLElement | null)?.blur();

/** The act a key stands for in a row, and whether it is one for a line standing there. */
function actOfKey(event: KeyboardEvent, inner: Inner): LineAct | 'select' | null {
  const { altKey, ctrlKey, key, code } = event;
  if (altKey && key === 'ArrowUp') return 'up';
  if (altKey && key === 'ArrowDown') return 'down';
  if (ctrlKey && (key === 'Delete' || key === 'Backspace')) return 'remove';
  if (altKey && key === 'Enter') return 'details';
  if (altKey && code === 'KeyX' && inner !== 'bundle') return 'extra';
  if (altKey && code === 'KeyA' && inner !== 'bundle') return 'allowance';
  if (inner) return null;
  if (ctrlKey && key === ' ') return 'select';
  if (altKey && code === 'KeyQ') return 'question';
  if (altKey && code === 'KeyC') return 'copy';
  return null;
}

/** What is done to a line of the sheet, from its menu and by keys; the focus goes on to something sensible. */
export function useLineActs(line: Line, figures: SectionLine, inner: Inner) {
  const { edit, readOnly, toggle, select, reveal } = useEditorActions();
  const acts: Readonly<Record<LineAct, () => void>> = {
    details: () => toggle(line.id),
    extra: () => edit((draft) => setExtra(draft, line.id, line.extra ? null : { in: false })),
    allowance: () =>
      edit((draft) => setAllowance(draft, line.id, line.allowance ? null : usualAllowance(figures))),
    question: () =>
      edit((draft) => askAbout(draft, line.id, { question: newPartId(), alternative: newPartId() })),
    copy: () => {
      let copy = '';
      edit((draft) => {
        copy = duplicateEntry(draft, line, newPartId);
      });
      reveal({ key: copy, cell: 'description' });
    },
    up: () => edit((draft) => moveBy(draft, line.id, -1)),
    down: () => edit((draft) => moveBy(draft, line.id, 1)),
    remove: () => edit((draft) => removePart(draft, line.id)),
  };

  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    if (readOnly) return;
    const name = actOfKey(event, inner);
    if (name === null) return;
    event.preventDefault();
    event.stopPropagation();
    const { cell } = (event.target as HTMLElement).dataset;
    if (name === 'select') select(line.id, event.shiftKey ? 'to' : 'one');
    else if (name === 'up' || name === 'down') {
      // What is being typed is taken first; the row it stands in is another one after.
      blurActive();
      acts[name]();
      requestAnimationFrame(() => inRow(line.id, cell)?.focus());
    } else if (name === 'remove') {
      const rows = [...document.querySelectorAll<HTMLElement>('[data-row]')];
      const at = rows.indexOf(event.currentTarget);
      const next = rows[at + 1] ?? rows[at - 1];
      acts.remove();
      next?.querySelector<HTMLElement>(`[data-cell="${cell ?? 'description'}"]`)?.focus();
    } else {
      if (name === 'copy') blurActive();
      acts[name]();
      if (name === 'details') intoDetails(line.id);
    }
  };
  return { acts, onKeyDown };
}

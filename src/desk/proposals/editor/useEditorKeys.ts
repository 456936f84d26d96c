import { useEffect, useRef } from 'react';
import { inDialog, takesText } from '@/ui/keys/target';
import type { DocumentInWork } from './useDocument';

const blurNow = () => (document.activeElement as HTMLElement | null)?.blur();

const startsAddLine = (event: { preventDefault: () => void }) => {
  event.preventDefault();
  document.getElementById('add-line')?.focus();
};

/** Does a field hold text of its own, that is not in the document yet and has its own undo? */
const holdsText = (field: HTMLElement): boolean =>
  field.tagName === 'TEXTAREA' ||
  field.dataset.dirty !== undefined ||
  (field.id === 'add-line' && (field as HTMLInputElement).value !== '');

interface EditorKeys {
  readonly work: Pick<DocumentInWork, 'undo' | 'redo'>;
  /** Goes to sending; null where there is nothing to send. */
  readonly send: (() => void) | null;
  /** Opens or closes the plans; null where there are none. */
  readonly plans: (() => void) | null;
  /** Makes a section; null where none can be made. */
  readonly addSection: (() => void) | null;
  /** Goes to the section before (−1) or after (1); null where they are not in view. */
  readonly toSection: ((by: 1 | -1) => void) | null;
  /** Goes to the step before (−1) or after (1). */
  readonly toStep: (by: 1 | -1) => void;
}

function undoOrRedo({ work }: EditorKeys, field: HTMLElement, redo: boolean): void {
  // What stands in a cell is text of its own; leaving and coming back shows the undone value.
  const cell = field.dataset?.cell ? field : null;
  cell?.blur();
  if (redo) work.redo();
  else work.undo();
  requestAnimationFrame(() => cell?.isConnected && cell.focus());
}

/** What a key does, wherever in the editor the focus is; null where it is no key of the editor. */
function actOf(event: KeyboardEvent, keys: EditorKeys): (() => void) | null {
  const field = event.target as HTMLElement;
  const within = field instanceof HTMLElement;
  const key = event.key.toLowerCase();
  const command = event.ctrlKey || event.metaKey;
  if (command && (key === 'z' || key === 'y'))
    return within && holdsText(field) ? null : () => undoOrRedo(keys, field, key === 'y' || event.shiftKey);
  if (command && event.key === 'Enter') {
    // What stands in the add line is not taken yet, and a text of several lines has its own Enter.
    return within && (field.tagName === 'TEXTAREA' || (field.id === 'add-line' && holdsText(field)))
      ? null
      : keys.send;
  }
  if (command && !event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown') && keys.toSection)
    return () => {
      blurNow();
      keys.toSection!(event.key === 'ArrowUp' ? -1 : 1);
    };
  // By place on the keyboard: with Alt, some systems write another letter.
  if (event.altKey && !command && event.code === 'KeyP' && keys.plans)
    return () => {
      blurNow();
      keys.plans!();
    };
  if (event.altKey && !command && event.code === 'KeyS' && keys.addSection)
    return () => {
      blurNow();
      keys.addSection!();
    };
  if (event.altKey && !command && (event.code === 'PageUp' || event.code === 'PageDown'))
    return () => keys.toStep(event.code === 'PageUp' ? -1 : 1);
  return null;
}

/** Does `/` lead to the add line from here? */
function leadsToAddLine(event: KeyboardEvent): boolean {
  if (event.key !== '/' || event.ctrlKey) return false;
  if (!takesText(event.target)) return true;
  const { cell, dirty } = event.target.dataset;
  return cell !== undefined && cell !== 'description' && dirty === undefined;
}

/** The keys that work wherever in the editor the focus is: undo, steps, sections, the add line, sending, plans. */
export function useEditorKeys(keys: EditorKeys): void {
  const now = useRef(keys);
  useEffect(() => {
    now.current = keys;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || inDialog(event.target)) return;
      if (leadsToAddLine(event)) return startsAddLine(event);
      const act = actOf(event, now.current);
      if (act === null) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

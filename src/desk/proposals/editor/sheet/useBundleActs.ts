import type { KeyboardEvent } from 'react';
import { duplicateEntry, moveBy, removePart, setBundle } from '@/core/editing';
import type { Bundle } from '@/model';
import { newPartId, useEditorActions } from '../context';

export type BundleAct = 'open' | 'extra' | 'parts' | 'copy' | 'library' | 'up' | 'down' | 'remove';

/** The act a key stands for on a bundle's row. */
function actOfKey({ altKey, ctrlKey, key, code }: KeyboardEvent): BundleAct | 'select' | null {
  const keys: Readonly<Record<string, BundleAct>> = {
    Enter: 'open',
    ArrowUp: 'up',
    ArrowDown: 'down',
    KeyX: 'extra',
    KeyC: 'copy',
  };
  if (altKey) return keys[code] ?? keys[key] ?? null;
  if (!ctrlKey) return null;
  if (key === 'Delete' || key === 'Backspace') return 'remove';
  return key === ' ' ? 'select' : null;
}

/** What is done to a bundle of the sheet, from its menu and by keys. */
export function useBundleActs(bundle: Bundle, openLibrary: () => void) {
  const { edit, readOnly, toggle, reveal, select } = useEditorActions();
  const { id } = bundle;
  const acts: Readonly<Record<BundleAct, () => void>> = {
    open: () => toggle(id),
    extra: () => edit((draft) => setBundle(draft, id, { extra: bundle.extra ? null : { in: false } })),
    parts: () => edit((draft) => setBundle(draft, id, { shows: bundle.shows === 'one' ? 'parts' : 'one' })),
    copy: () => {
      let copy = '';
      edit((draft) => {
        copy = duplicateEntry(draft, bundle, newPartId, `${bundle.name} (copy)`);
      });
      reveal({ key: copy, cell: 'description' });
    },
    library: openLibrary,
    up: () => edit((draft) => moveBy(draft, id, -1)),
    down: () => edit((draft) => moveBy(draft, id, 1)),
    remove: () => edit((draft) => removePart(draft, id)),
  };
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    if (readOnly) return;
    const name = actOfKey(event);
    if (name === null) return;
    event.preventDefault();
    event.stopPropagation();
    if (name === 'select') select(id, event.shiftKey ? 'to' : 'one');
    else if (name === 'remove') {
      document.getElementById('add-line')?.focus();
      acts.remove();
    } else {
      // What is being typed is taken first.
      (document.activeElement as HTMLElement | null)?.blur();
      acts[name]();
      if (name !== 'copy') reveal({ key: id, cell: 'description' });
    }
  };
  return { acts, onKeyDown };
}

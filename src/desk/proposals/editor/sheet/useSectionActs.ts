import type { KeyboardEvent } from 'react';
import { duplicateSection, moveBy, removePart, setSectionExtra } from '@/core/editing';
import type { Section } from '@/model';
import { newPartId, useEditorActions } from '../context';
import { toggled } from './selection';

export type SectionAct = 'space' | 'fold' | 'copy' | 'extra' | 'up' | 'down' | 'remove';

const keys: Readonly<Record<string, SectionAct>> = {
  KeyM: 'space',
  KeyF: 'fold',
  KeyC: 'copy',
  KeyX: 'extra',
  ArrowUp: 'up',
  ArrowDown: 'down',
};

/** What is done to a section as a whole, from its menu and by keys; the focus goes where it belongs after. */
export function useSectionActs(section: Section) {
  const { edit, setView, toggle, reveal, readOnly } = useEditorActions();
  const { id } = section;
  const acts: Readonly<Record<SectionAct, () => void>> = {
    space: () => toggle(`${id} space`),
    fold: () => setView((before) => ({ ...before, folded: toggled(before.folded, id) })),
    copy: () => {
      let copy = '';
      edit((draft) => {
        copy = duplicateSection(draft, section, newPartId);
      });
      reveal({ key: copy, cell: 'description' });
    },
    extra: () => edit((draft) => setSectionExtra(draft, id, section.extra ? null : { in: true })),
    up: () => edit((draft) => moveBy(draft, id, -1)),
    down: () => edit((draft) => moveBy(draft, id, 1)),
    remove: () => edit((draft) => removePart(draft, id)),
  };
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    const wanted = event.altKey && !readOnly ? (keys[event.code] ?? keys[event.key]) : undefined;
    if (!wanted) return;
    event.preventDefault();
    event.stopPropagation();
    // What is being typed is taken first.
    (document.activeElement as HTMLElement | null)?.blur();
    acts[wanted]();
    if (wanted === 'space') reveal({ key: `${id} space`, cell: 'space' });
    else if (wanted !== 'copy') reveal({ key: id, cell: 'description' });
  };
  return { acts, onKeyDown };
}

'use client';

import { PlusOutlined } from '@ant-design/icons';
import { useEffect, useRef } from 'react';
import { addSection, moveBy } from '@/core/editing';
import { showAmount, showQuantity } from '@/core/number';
import { newPartId, useEditor, useEditorActions } from './context';

/** Sections with their amounts, and what in them waits for the customer or for us. */
export function Outline() {
  const { work, figures, target, setTarget, readOnly } = useEditor();
  const { reveal } = useEditorActions();
  const add = () => {
    const id = newPartId();
    work.edit((draft) =>
      addSection(draft, id, 'New section', target.kind === 'section' ? target.sectionId : undefined),
    );
    setTarget({ kind: 'section', sectionId: id });
    reveal({ key: id, cell: 'description' });
  };
  const addNow = useRef(add);
  useEffect(() => {
    addNow.current = add;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      // By place on the keyboard: with Alt, some systems write another letter.
      if (!event.altKey || event.ctrlKey || event.metaKey || event.code !== 'KeyS' || readOnly) return;
      event.preventDefault();
      (document.activeElement as HTMLElement | null)?.blur();
      addNow.current();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [readOnly]);
  const go = (id: string) => {
    setTarget({ kind: 'section', sectionId: id });
    reveal({ key: id, align: 'start' });
  };
  return (
    <nav className="outline" aria-label="Outline">
      <h2 className="column-title">Outline</h2>
      <ol>
        {figures.sections.map(({ section, net, space, bundles, lines }) => {
          const questions = section.entries.filter(({ kind }) => kind === 'question').length;
          const extras = section.entries.filter((entry) => entry.kind !== 'question' && entry.extra).length;
          const troubled =
            lines.filter(({ trouble }) => trouble !== null).length +
            [...bundles.values()].filter(({ sized }) => sized.troubles.length > 0).length +
            (space?.trouble ? 1 : 0);
          const undecided = section.entries.filter((entry) => entry.kind !== 'question' && entry.open).length;
          const open = section.entries.filter((entry) => entry.kind === 'line' && entry.quantityOpen).length;
          const parts = [
            questions > 0 ? `${questions} question${questions > 1 ? 's' : ''}` : '',
            extras > 0 ? `${extras} extra${extras > 1 ? 's' : ''}` : '',
          ].filter(Boolean);
          return (
            <li key={section.id}>
              <button
                type="button"
                className="outline-section"
                aria-current={
                  target.kind === 'section' && target.sectionId === section.id ? 'true' : undefined
                }
                onClick={() => go(section.id)}
                onKeyDown={(event) => {
                  if (readOnly || !event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown'))
                    return;
                  event.preventDefault();
                  work.edit((draft) => moveBy(draft, section.id, event.key === 'ArrowUp' ? -1 : 1));
                }}
              >
                <span>{section.title}</span>
                <span className="amount">{showAmount(net, figures.minorDigits)}</span>
                {parts.length > 0 && <span className="outline-choices">{parts.join(' · ')}</span>}
                {space?.figures && (
                  <span className="outline-space">{showQuantity(space.figures.floor)} sq ft</span>
                )}
                {troubled > 0 && <span className="outline-open">{troubled} cannot be computed</span>}
                {undecided > 0 && <span className="outline-open">{undecided} not decided</span>}
                {open > 0 && <span className="outline-open">{open} not confirmed</span>}
              </button>
            </li>
          );
        })}
      </ol>
      {!readOnly && (
        <button type="button" className="outline-add" onClick={add}>
          <PlusOutlined aria-hidden="true" /> Section <kbd>Alt S</kbd>
        </button>
      )}
    </nav>
  );
}

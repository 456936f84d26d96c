'use client';

import { areaShown, measuringOf } from '@/core/space';
import { PlusOutlined } from '@ant-design/icons';
import { moveBy } from '@/core/editing';
import { showAmount } from '@/core/number';
import { useEditor } from './context';
import { useSections } from './useSections';

/**
 * Sections with their amounts, and what in them waits for the customer or for us.
 *
 * @param left told when a section is gone to, where the outline lies over the sheet
 */
export function Outline({ left }: { readonly left?: () => void }) {
  const { work, figures, target, readOnly } = useEditor();
  const sections = useSections();
  const add = () => {
    left?.();
    sections.add();
  };
  const go = (id: string) => {
    left?.();
    sections.go(id);
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
                  <span className="outline-space">
                    {areaShown(space.figures.floor, measuringOf(work.document))}
                  </span>
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

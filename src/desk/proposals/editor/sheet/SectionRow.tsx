'use client';

import { CaretDownOutlined, CaretRightOutlined, MoreOutlined } from '@ant-design/icons';
import { Dropdown } from 'antd';
import { duplicateSection, moveBy, removePart, setSection, setSectionExtra } from '@/core/editing';
import { showAmount, showQuantity } from '@/core/number';
import type { SectionFigures } from '@/core/price';
import { perSquareFoot } from '@/core/price';
import { newPartId, useEditor, useEditorActions } from '../context';
import { Cell } from '@/ui/live/Cell';
import { toggled } from './selection';

/** The head of a section: title, space, price, and what can be done with the whole of it. */
export function SectionRow({ figures }: { figures: SectionFigures }) {
  const { work, target, view, readOnly } = useEditor();
  const { edit, setTarget, setView, toggle, reveal, minorDigits, columns } = useEditorActions();
  const across = columns.length;
  const { section, net, space } = figures;
  const isFolded = view.folded.has(section.id);
  const current = target.kind === 'section' && target.sectionId === section.id;
  const floor = space?.figures?.floor ?? null;
  const each = perSquareFoot(net, floor);
  const fold = () => setView((before) => ({ ...before, folded: toggled(before.folded, section.id) }));

  const act = (key: string) => {
    if (key === 'space') toggle(`${section.id} space`);
    if (key === 'fold') fold();
    if (key === 'copy') {
      let copy = '';
      edit((draft) => {
        copy = duplicateSection(draft, section, newPartId);
      });
      reveal({ key: copy, cell: 'description' });
    }
    if (key === 'extra')
      edit((draft) => setSectionExtra(draft, section.id, section.extra ? null : { in: true }));
    if (key === 'up' || key === 'down') edit((draft) => moveBy(draft, section.id, key === 'up' ? -1 : 1));
    if (key === 'remove') edit((draft) => removePart(draft, section.id));
  };

  return (
    <tr
      className={`row-section ${current ? 'row-section-current' : ''}`}
      data-row={section.id}
      onFocus={() => setTarget({ kind: 'section', sectionId: section.id })}
      onKeyDown={(event) => {
        const keys: Record<string, string> = {
          KeyM: 'space',
          KeyF: 'fold',
          KeyC: 'copy',
          KeyX: 'extra',
          ArrowUp: 'up',
          ArrowDown: 'down',
        };
        const wanted = event.altKey && !readOnly ? (keys[event.code] ?? keys[event.key]) : undefined;
        if (!wanted) return;
        event.preventDefault();
        event.stopPropagation();
        const field = document.activeElement as HTMLElement | null;
        field?.blur();
        act(wanted);
        if (wanted === 'space') reveal({ key: `${section.id} space`, cell: 'space' });
        else if (wanted !== 'copy') reveal({ key: section.id, cell: 'description' });
      }}
    >
      <td className="row-grip">
        <button
          type="button"
          className="grip"
          aria-expanded={!isFolded}
          aria-label={`${isFolded ? 'Unfold' : 'Fold'} ${section.title}`}
          tabIndex={-1}
          onClick={fold}
        >
          {isFolded ? <CaretRightOutlined aria-hidden="true" /> : <CaretDownOutlined aria-hidden="true" />}
        </button>
      </td>
      <td colSpan={across > 0 ? 2 : 1}>
        <Cell
          name="description"
          label="Section"
          shown={section.title}
          readOnly={readOnly}
          {...(section.entries.length === 0
            ? { onEnter: () => document.getElementById('add-line')?.focus() }
            : {})}
          commit={(text) => work.edit((draft) => setSection(draft, section.id, { title: text }))}
        />
      </td>
      <td colSpan={across > 0 ? 1 + across : 2} className="section-space">
        {(!readOnly || section.space) && (
          <button
            type="button"
            className="plain-button"
            aria-expanded={view.opened.has(`${section.id} space`)}
            onClick={() => toggle(`${section.id} space`)}
          >
            {space?.trouble ? (
              <span className="wrong">dimensions: check</span>
            ) : floor !== null ? (
              `${showQuantity(floor)} sq ft${each === null ? '' : ` at ${showAmount(each, minorDigits)}`}`
            ) : (
              <span className="space-none">Add dimensions</span>
            )}
          </button>
        )}
        {section.extra && <span className="choice-tag">extra, {section.extra.in ? 'in' : 'out'}</span>}
        {isFolded && <span className="soft"> {section.entries.length} folded</span>}
      </td>
      <td className="amount row-amount">{showAmount(net, minorDigits)}</td>
      <td className="row-more">
        {!readOnly && (
          <Dropdown
            trigger={['click']}
            menu={{
              onClick: ({ key }) => act(key),
              items: [
                { key: 'space', label: 'Dimensions: length, width, height', extra: 'Alt M' },
                { key: 'fold', label: isFolded ? 'Unfold' : 'Fold', extra: 'Alt F' },
                {
                  key: 'extra',
                  label: section.extra ? 'Not an extra any more' : 'Let the customer leave all of it out',
                  extra: 'Alt X',
                },
                { key: 'copy', label: 'Copy with everything in it', extra: 'Alt C' },
                { key: 'up', label: 'Move up', extra: 'Alt ↑' },
                { key: 'down', label: 'Move down', extra: 'Alt ↓' },
                { key: 'remove', label: 'Remove with everything in it', danger: true },
              ],
            }}
          >
            <button
              type="button"
              className="grip"
              aria-label={`More for section ${section.title}`}
              tabIndex={-1}
            >
              <MoreOutlined aria-hidden="true" />
            </button>
          </Dropdown>
        )}
      </td>
    </tr>
  );
}

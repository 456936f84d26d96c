'use client';

import { areaShown } from '@/core/space';
import { Button } from 'antd';
import { CaretDownOutlined, CaretRightOutlined } from '@ant-design/icons';
import { offersWith, setSection } from '@/core/editing';
import { showAmount } from '@/core/number';
import type { SectionFigures } from '@/core/price';
import { perFloorArea } from '@/core/price';
import { roomBehind, spaceInWords, spaceOf } from '@/core/space';
import { useEditor, useEditorActions } from '../context';
import { Cell } from '@/ui/live/Cell';
import { SectionMenu } from './SectionMenu';
import { useSectionActs } from './useSectionActs';

/** The floor of a section and its price by it, or the way to type its dimensions. */
function SectionSpace({ figures: { section, net, space } }: { readonly figures: SectionFigures }) {
  const { view, work, readOnly } = useEditor();
  const { toggle, minorDigits, measuring } = useEditorActions();
  const { rooms } = work.document;
  const sized = spaceOf(rooms, section);
  const room = roomBehind(rooms, section);
  if (readOnly && !sized) return null;
  const floor = space?.figures?.floor ?? null;
  const each = perFloorArea(net, floor, measuring);
  const key = `${section.id} space`;
  return (
    <Button
      type="link"
      size="small"
      aria-expanded={view.opened.has(key)}
      title={sized && `${room ? `${room.name}: ` : ''}${spaceInWords(sized, measuring)}`}
      onClick={() => toggle(key)}
    >
      {space?.trouble ? (
        <span className="wrong">dimensions: check</span>
      ) : floor !== null ? (
        `${room ? `${room.name}, ` : ''}${areaShown(floor, measuring)}${each === null ? '' : ` at ${showAmount(each, minorDigits)}`}`
      ) : (
        <span className="space-none">Add dimensions</span>
      )}
    </Button>
  );
}

/** The head of a section: title, space, price, and what can be done with the whole of it. */
export function SectionRow({ figures }: { readonly figures: SectionFigures }) {
  const { work, target, view, readOnly } = useEditor();
  const { setTarget, minorDigits, columns } = useEditorActions();
  const { section, net } = figures;
  const { acts, onKeyDown } = useSectionActs(section);
  const across = columns.length;
  const inOffers = offersWith(work.document, section.id);
  const folded = view.folded.has(section.id);
  const current = target.kind === 'section' && target.sectionId === section.id;
  // A section without lines leads on to the add line.
  const toAddLine = { onEnter: () => document.getElementById('add-line')?.focus() };
  return (
    <tr
      className={`row-section ${current ? 'row-section-current' : ''}`}
      data-row={section.id}
      onFocus={() => setTarget({ kind: 'section', sectionId: section.id })}
      onKeyDown={onKeyDown}
    >
      <td className="row-grip">
        <button
          type="button"
          className="grip"
          aria-expanded={!folded}
          aria-label={`${folded ? 'Unfold' : 'Fold'} ${section.title}`}
          tabIndex={-1}
          onClick={acts.fold}
        >
          {folded ? <CaretRightOutlined aria-hidden="true" /> : <CaretDownOutlined aria-hidden="true" />}
        </button>
      </td>
      <td colSpan={across > 0 ? 2 : 1}>
        <Cell
          name="description"
          label="Section"
          shown={section.title}
          readOnly={readOnly}
          {...(section.entries.length === 0 ? toAddLine : {})}
          commit={(text) => work.edit((draft) => setSection(draft, section.id, { title: text }))}
        />
      </td>
      <td colSpan={across > 0 ? 1 + across : 2} className="section-space">
        <SectionSpace figures={figures} />
        {inOffers && (
          <span className="choice-tag">
            {inOffers.length === 0 ? 'in no offer' : `in ${inOffers.join(', ')}`}
          </span>
        )}
        {section.extra && <span className="choice-tag">extra, {section.extra.in ? 'in' : 'out'}</span>}
        {folded && <span className="soft"> {section.entries.length} folded</span>}
      </td>
      <td className="amount row-amount">{showAmount(net, minorDigits)}</td>
      <td className="row-more">
        {!readOnly && <SectionMenu section={section} folded={folded} acts={acts} />}
      </td>
    </tr>
  );
}

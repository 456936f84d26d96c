'use client';

import { Button } from 'antd';
import { followRoom, leaveRoom, setRoomSpace, setSpace, shareSpace } from '@/core/editing';
import { emptySpace, measuringOf, newOpening, roomBehind, spaceInWords } from '@/core/space';
import type { SectionFigures } from '@/core/price';
import type { Section, Space } from '@/model';
import { newPartId, useEditor, useEditorActions } from '../context';
import { SpaceFields } from './SpaceFields';
import { SpaceFigures } from './SpaceFigures';

/** Chooses what a section is sized by: itself, or a room of the proposal. */
function SizedBy({ section }: { readonly section: Section }) {
  const { work, readOnly } = useEditor();
  const { rooms = [] } = work.document;
  const room = roomBehind(rooms, section);
  if (rooms.length === 0) return null;
  return (
    <label className="input-field input-room">
      <span className="input-label">Sized by</span>
      <select
        className="input-select"
        aria-label="Sized by"
        disabled={readOnly}
        value={room?.name ?? ''}
        onChange={({ target: { value } }) =>
          work.edit((draft) =>
            value === '' ? leaveRoom(draft, section.id) : followRoom(draft, section.id, value),
          )
        }
      >
        <option value="">Itself</option>
        {rooms.map(({ id, name, space }) => (
          <option key={id} value={name} title={spaceInWords(space, measuringOf(work.document))}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The dimensions behind a section, its own or those of its room, and what follows from them. */
export function SpaceRow({ figures }: { readonly figures: SectionFigures }) {
  const { work } = useEditor();
  const { edit, readOnly, toggle, columns } = useEditorActions();
  const { section } = figures;
  const room = roomBehind(work.document.rooms, section);
  const space = section.space ?? room?.space ?? emptySpace;
  const change = (next: Space) =>
    edit((draft) =>
      room ? setRoomSpace(draft, room.id, room.name, next) : setSpace(draft, section.id, next),
    );
  return (
    <tr className="row-inputs row-space" data-row={`${section.id} space`} data-sizes="add-line">
      <td />
      <td colSpan={5 + columns.length}>
        <div className="inputs">
          <SizedBy section={section} />
          <SpaceFields space={space} change={change} />
        </div>
        <SpaceFigures figures={figures} />
        {!readOnly && (
          <div className="space-acts">
            <Button
              size="small"
              onClick={() => change({ ...space, openings: [...space.openings, newOpening(newPartId())] })}
            >
              Add an opening
            </Button>
            {section.space && (
              <>
                <Button
                  size="small"
                  onClick={() => edit((draft) => shareSpace(draft, section.id, newPartId()))}
                >
                  Make it a room others share
                </Button>
                <Button size="small" onClick={() => edit((draft) => setSpace(draft, section.id, null))}>
                  No dimensions
                </Button>
              </>
            )}
            <Button size="small" onClick={() => toggle(`${section.id} space`)}>
              Close
            </Button>
          </div>
        )}
      </td>
    </tr>
  );
}

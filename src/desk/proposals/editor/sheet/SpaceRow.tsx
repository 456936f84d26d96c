'use client';

import { Button } from 'antd';
import { readDimension, setSpace, typedDimension } from '@/core/editing';
import { emptySpace, newOpening } from '@/core/space';
import type { SectionFigures } from '@/core/price';
import type { Opening, Space } from '@/model';
import { newPartId, useEditorActions } from '../context';
import { SpaceFigures } from './SpaceFigures';
import { SpaceOpening } from './SpaceOpening';
import { SpaceField, SpaceShape } from './SpaceShape';

/** The dimensions behind a section, and what follows from them. */
export function SpaceRow({ figures }: { readonly figures: SectionFigures }) {
  const { edit, readOnly, toggle, columns } = useEditorActions();
  const { section } = figures;
  const space = section.space ?? emptySpace;
  const { openings } = space;
  const change = (next: Space) => edit((draft) => setSpace(draft, section.id, next));
  const setHeight = (text: string) => {
    const { height: _, ...rest } = space;
    change(text.trim() === '' ? rest : { ...rest, height: readDimension(text) });
  };
  const setOpening = (id: string, patch: Partial<Opening>) =>
    change({
      ...space,
      openings: openings.map((other) => (other.id === id ? { ...other, ...patch } : other)),
    });
  return (
    <tr className="row-inputs row-space" data-row={`${section.id} space`}>
      <td />
      <td colSpan={5 + columns.length}>
        <div className="inputs">
          <SpaceShape shape={space.shape} change={(shape) => change({ ...space, shape })} />
          <SpaceField label="Height" shown={typedDimension(space.height)} commit={setHeight} />
          {openings.map((opening) => (
            <SpaceOpening
              key={opening.id}
              opening={opening}
              change={(patch) => setOpening(opening.id, patch)}
              remove={() => change({ ...space, openings: openings.filter(({ id }) => id !== opening.id) })}
            />
          ))}
        </div>
        <SpaceFigures figures={figures} />
        {!readOnly && (
          <div className="space-acts">
            <Button
              size="small"
              onClick={() => change({ ...space, openings: [...openings, newOpening(newPartId())] })}
            >
              Add an opening
            </Button>
            {section.space && (
              <Button size="small" onClick={() => edit((draft) => setSpace(draft, section.id, null))}>
                No dimensions
              </Button>
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

'use client';

import { readDimension } from '@/core/editing';
import { typedDimension } from '@/core/space';
import { useEditorActions } from '../context';
import type { Opening, Space } from '@/model';
import { SpaceOpening } from './SpaceOpening';
import { SpaceField, SpaceShape } from './SpaceShape';

/** The fields of the dimensions of a section or a room: shape and sides, height, openings. */
export function SpaceFields({
  space,
  change,
}: {
  readonly space: Space;
  readonly change: (next: Space) => void;
}) {
  const { measuring } = useEditorActions();
  const { openings } = space;
  const setHeight = (text: string) => {
    const { height: _, ...rest } = space;
    change(text.trim() === '' ? rest : { ...rest, height: readDimension(text, measuring) });
  };
  const setOpening = (id: string, patch: Partial<Opening>) =>
    change({
      ...space,
      openings: openings.map((other) => (other.id === id ? { ...other, ...patch } : other)),
    });
  return (
    <>
      <SpaceShape shape={space.shape} change={(shape) => change({ ...space, shape })} />
      <SpaceField label="Height" shown={typedDimension(space.height, measuring)} commit={setHeight} />
      {openings.map((opening) => (
        <SpaceOpening
          key={opening.id}
          opening={opening}
          change={(patch) => setOpening(opening.id, patch)}
          remove={() => change({ ...space, openings: openings.filter(({ id }) => id !== opening.id) })}
        />
      ))}
    </>
  );
}

import { Button } from 'antd';
import { readDimension } from '@/core/editing';
import { readCount, typedDimension } from '@/core/space';
import type { Opening } from '@/model';
import { useEditorActions } from '../context';
import { SpaceField } from './SpaceShape';

/** A door or window in the walls of a space: its name, how wide and high it is, and how many there are. */
export function SpaceOpening({
  opening,
  change,
  remove,
}: {
  readonly opening: Opening;
  readonly change: (patch: Partial<Opening>) => void;
  readonly remove: () => void;
}) {
  const { readOnly, measuring } = useEditorActions();
  return (
    <fieldset className="opening">
      <legend className="visually-hidden">{opening.name}</legend>
      <SpaceField
        label="Opening"
        shown={opening.name}
        commit={(text) => text.trim() && change({ name: text.trim().slice(0, 200) })}
      />
      <SpaceField
        label="Wide"
        shown={typedDimension(opening.width, measuring)}
        commit={(text) => change({ width: readDimension(text, measuring) })}
      />
      <SpaceField
        label="High"
        shown={typedDimension(opening.height, measuring)}
        commit={(text) => change({ height: readDimension(text, measuring) })}
      />
      <SpaceField
        label="How many"
        shown={String(opening.count)}
        commit={(text) => change({ count: readCount(text) })}
      />
      {!readOnly && (
        <Button type="link" size="small" aria-label={`Remove opening ${opening.name}`} onClick={remove}>
          remove
        </Button>
      )}
    </fieldset>
  );
}

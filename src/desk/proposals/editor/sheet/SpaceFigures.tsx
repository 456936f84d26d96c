import { showAmount } from '@/core/number';
import type { SectionFigures } from '@/core/price';
import { perArea, perFloorArea } from '@/core/price';
import type { ReadSpace } from '@/core/space';
import { areaShown, lengthShown, roomBehind, spaceInWords, spaceOf } from '@/core/space';
import type { Space } from '@/model';
import { useEditor, useEditorActions } from '../context';
import { followersInWords } from './roomWords';

/** Dimensions in words, and the areas that come of them. */
export function SizeInWords({ space, read }: { readonly space: Space; readonly read: ReadSpace }) {
  const { measuring } = useEditorActions();
  const found = read.figures;
  if (!found) return null;
  return (
    <span>
      <strong>{spaceInWords(space, measuring)}</strong> · floor {areaShown(found.floor, measuring)} ·
      perimeter {lengthShown(found.perimeter, measuring)}
      {found.walls !== null && ` · walls ${areaShown(found.walls, measuring)}`}
      {found.openings > 0n && ` (openings of ${areaShown(found.openings, measuring)} off)`}
    </span>
  );
}

/** What follows from the dimensions of a section: areas, and cost and price by them; with a room, who shares it. */
export function SpaceFigures({ figures }: { readonly figures: SectionFigures }) {
  const { minorDigits, seesCost, measuring } = useEditorActions();
  const { work, figures: all } = useEditor();
  const { section, space } = figures;
  const sized = spaceOf(work.document.rooms, section);
  const room = roomBehind(work.document.rooms, section);
  const shared = all.rooms.find((each) => each.room.name === room?.name);
  const found = sized ? space?.figures : null;
  return (
    <p className="space-figures">
      {space?.trouble && sized && <span className="wrong">{space.trouble} </span>}
      {sized && space && <SizeInWords space={sized} read={space} />}
      {found && found.floor > 0n && (
        <span className="soft">
          {' '}
          ·{' '}
          {seesCost &&
            `cost ${showAmount(perFloorArea(figures.cost, found.floor, measuring)!, minorDigits)}, `}
          price {showAmount(perFloorArea(figures.net, found.floor, measuring)!, minorDigits)}{' '}
          {perArea(measuring)}
        </span>
      )}
      {shared && (
        <span className="space-room">
          The room “{room!.name}”.{' '}
          {shared.sections.length + shared.entries.length > 1
            ? `What is changed here changes for ${followersInWords(shared, work.document)}.`
            : 'Only this section follows it.'}
        </span>
      )}
      {!found && !space?.trouble && (
        <span className="soft">
          Type a length and a width. Quantities can then follow: floor, walls * 1.1, perimeter - 3ft.
        </span>
      )}
    </p>
  );
}

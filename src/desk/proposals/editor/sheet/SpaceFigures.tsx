import { showAmount, showQuantity } from '@/core/number';
import type { SectionFigures } from '@/core/price';
import { perSquareFoot } from '@/core/price';
import type { ReadSpace } from '@/core/space';
import { roomBehind, spaceInWords, spaceOf } from '@/core/space';
import type { Space } from '@/model';
import { useEditor, useEditorActions } from '../context';
import { followersInWords } from './roomWords';

/** Dimensions in words, and the areas that come of them. */
export function SizeInWords({ space, read }: { readonly space: Space; readonly read: ReadSpace }) {
  const found = read.figures;
  if (!found) return null;
  return (
    <span>
      <strong>{spaceInWords(space)}</strong> · floor {showQuantity(found.floor)} sq ft · perimeter{' '}
      {showQuantity(found.perimeter)} ft
      {found.walls !== null && ` · walls ${showQuantity(found.walls)} sq ft`}
      {found.openings > 0n && ` (openings ${showQuantity(found.openings)} off)`}
    </span>
  );
}

/** What follows from the dimensions of a section: areas, and cost and price by them; with a room, who shares it. */
export function SpaceFigures({ figures }: { readonly figures: SectionFigures }) {
  const { minorDigits, seesCost } = useEditorActions();
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
          · {seesCost && `cost ${showAmount(perSquareFoot(figures.cost, found.floor)!, minorDigits)}, `}
          price {showAmount(perSquareFoot(figures.net, found.floor)!, minorDigits)} per sq ft
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

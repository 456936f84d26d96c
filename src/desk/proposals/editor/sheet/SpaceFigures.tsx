import { showAmount, showQuantity } from '@/core/number';
import type { SectionFigures } from '@/core/price';
import { perSquareFoot } from '@/core/price';
import { spaceInWords } from '@/core/space';
import { useEditorActions } from '../context';

/** What follows from the dimensions of a section: areas, and cost and price by them. */
export function SpaceFigures({ figures }: { readonly figures: SectionFigures }) {
  const { minorDigits } = useEditorActions();
  const { section, space } = figures;
  const found = section.space ? space?.figures : null;
  return (
    <p className="space-figures">
      {space?.trouble && section.space && <span className="wrong">{space.trouble} </span>}
      {found && (
        <span>
          <strong>{spaceInWords(section.space!)}</strong> · floor {showQuantity(found.floor)} sq ft ·
          perimeter {showQuantity(found.perimeter)} ft
          {found.walls !== null && ` · walls ${showQuantity(found.walls)} sq ft`}
          {found.openings > 0n && ` (openings ${showQuantity(found.openings)} off)`}
        </span>
      )}
      {found && found.floor > 0n && (
        <span className="soft">
          {' '}
          · cost {showAmount(perSquareFoot(figures.cost, found.floor)!, minorDigits)}, price{' '}
          {showAmount(perSquareFoot(figures.net, found.floor)!, minorDigits)} per sq ft
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

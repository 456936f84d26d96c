import { showUnitAmount } from '@/core/number';
import { itemUnitCost } from '@/core/price';
import { unitName } from '@/model';
import type { Found } from '../../../library/search';
import { useEditorActions } from '../context';
import { plainName } from './useTake';

const keyOf = (found: Found) => (found.kind === 'item' ? found.item.id : found.bundle.id);

function FoundRow({ one }: { readonly one: Found }) {
  const { seesCost } = useEditorActions();
  const { code, name, trade } = one.kind === 'item' ? one.item : one.bundle;
  return (
    <>
      <span className="soft found-code">{code}</span>
      <span>{plainName(name)}</span>
      <span className="soft">{trade}</span>
      {one.kind === 'item' ? (
        <span className="amount">
          {seesCost && `${showUnitAmount(itemUnitCost(one.item.costs))} / `}
          {unitName(one.item.unit)}
        </span>
      ) : (
        <span className="found-bundle">bundle, {one.bundle.recipe.parts.length} parts</span>
      )}
    </>
  );
}

/** What of the library fits what is typed, over the add line. */
export function FoundList({
  shown,
  picked,
  take,
}: {
  readonly shown: readonly Found[];
  readonly picked: number;
  readonly take: (one: Found) => void;
}) {
  if (shown.length === 0) return null;
  return (
    <ul className="add-found" role="listbox" id="add-found" aria-label="Fitting items">
      {shown.map((one, i) => (
        <li
          key={keyOf(one)}
          id={`found-${i}`}
          role="option"
          aria-selected={i === picked}
          onMouseDown={(event) => {
            event.preventDefault();
            take(one);
          }}
        >
          <FoundRow one={one} />
        </li>
      ))}
    </ul>
  );
}

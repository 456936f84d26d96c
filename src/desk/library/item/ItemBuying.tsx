import { Cell } from '@/ui/live/Cell';
import type { ItemInput } from '@/model';
import { BreaksTable } from './BreaksTable';
import { readFigure } from './itemDraft';

type Figure = 'waste' | 'pack' | 'minimumCharge';

/** How an item is bought: what is wasted of it, how it is packed, the least that is charged, and its price breaks. */
export function ItemBuying({
  item,
  minorDigits,
  readOnly,
  put,
}: {
  readonly item: ItemInput;
  readonly minorDigits: number;
  readonly readOnly: boolean;
  readonly put: {
    (field: Figure, value: string | null): void;
    (field: 'breaks', value: ItemInput['breaks']): void;
  };
}) {
  const figure = (field: Figure, label: string, places: number) => (
    <label className="input-field">
      <span className="input-label">{label}</span>
      <Cell
        name="item-figure"
        label={label}
        shown={item[field] ?? ''}
        readOnly={readOnly}
        commit={(text) => put(field, readFigure(text, places))}
      />
    </label>
  );
  return (
    <section>
      <h2>How it is bought</h2>
      <div className="inputs">
        {figure('waste', 'Waste, % of material', 4)}
        {figure('pack', 'Sold in packs of', 6)}
        {figure('minimumCharge', 'Least we charge', minorDigits)}
      </div>
      <BreaksTable
        breaks={item.breaks}
        readOnly={readOnly}
        change={(breaks) => put('breaks', breaks ?? undefined)}
      />
    </section>
  );
}

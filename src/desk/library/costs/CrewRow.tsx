import { Select } from 'antd';
import { showUnitAmount } from '@/core/number';
import { crewHour, itemUnitCost } from '@/core/price';
import type { Crew, Rate } from '@/model';
import { Cell } from '@/ui/live/Cell';
import type { CostGroup } from './costGroups';
import { readCost } from './costGroups';
import { RemoveCost } from './RemoveCost';

/** So many hours of a crew. */
export function CrewRow({
  group: { crew, parts },
  crews,
  byId,
  readOnly,
  set,
  remove,
  withMarkup,
}: {
  readonly group: CostGroup;
  readonly crews: readonly Crew[];
  readonly byId: ReadonlyMap<string, Rate>;
  readonly readOnly: boolean;
  readonly set: (crewId: string, hours: string) => void;
  readonly remove: () => void;
  /** The table has a column of markups; a crew is of several types and shows none. */
  readonly withMarkup: boolean;
}) {
  const known = crews.find(({ id }) => id === crew!.id);
  return (
    <tr>
      <td className="costs-type">crew</td>
      <td className="costs-figure">
        <Cell
          name="cost-amount"
          label="Hours of the crew"
          align="right"
          shown={crew!.hours}
          readOnly={readOnly || !known}
          commit={(typed) => set(crew!.id, readCost(typed, 6))}
        />
      </td>
      <td className="costs-way soft">hours of</td>
      <td className="costs-rate">
        <Select
          size="small"
          popupMatchSelectWidth={false}
          aria-label="Crew"
          disabled={readOnly}
          value={known ? crew!.id : ''}
          onChange={(picked: string) => set(picked, crew!.hours)}
          options={[
            ...(!known ? [{ value: '', label: 'a crew that is gone' }] : []),
            ...crews.map((each) => ({
              value: each.id,
              label: `${each.name}, ${showUnitAmount(crewHour(each, byId))}`,
            })),
          ]}
        />
      </td>
      <td className="amount">{showUnitAmount(itemUnitCost(parts))}</td>
      {withMarkup && <td />}
      <td className="costs-acts">{!readOnly && <RemoveCost label="Remove the crew" remove={remove} />}</td>
    </tr>
  );
}

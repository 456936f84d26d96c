'use client';

import { costTypeName } from '@/core/text/names';
import { Button, Select } from 'antd';
import { isBelowZero, showUnitAmount, writeFixed } from '@/core/number';
import { crewHour, crewParts, itemUnitCost } from '@/core/price';
import { parseQuantity } from '@/core/quantity';
import type { CostPart, CostType, Crew, ItemInput, Rate } from '@/model';
import { costTypes, unitName } from '@/model';
import { Cell } from '@/ui/live/Cell';

const decimal = (typed: string, places: number): string => {
  const value = writeFixed(parseQuantity(typed, places));
  if (isBelowZero(value)) throw new Error('Not below zero.');
  return value;
};

/** The parts of a cost as they are shown: one by one, those of a crew as one. */
interface Group {
  readonly crew: { readonly id: string; readonly hours: string } | null;
  readonly parts: readonly CostPart[];
  /** Where its first part stands. */
  readonly at: number;
}

function groupsOf(costs: readonly CostPart[]): Group[] {
  const groups: { crew: Group['crew']; parts: CostPart[]; at: number }[] = [];
  const byCrew = new Map<string, CostPart[]>();
  for (const [at, part] of costs.entries()) {
    const key = part.crew && `${part.crew.id} ${part.crew.hours}`;
    const known = key === undefined ? undefined : byCrew.get(key);
    if (known) {
      known.push(part);
      continue;
    }
    const parts = [part];
    if (key !== undefined) byCrew.set(key, parts);
    groups.push({ crew: part.crew ?? null, parts, at });
  }
  return groups;
}

/** So many hours of a crew. */
function CrewRow({
  group: { crew, parts },
  crews,
  byId,
  readOnly,
  set,
  remove,
}: {
  readonly group: Group;
  readonly crews: readonly Crew[];
  readonly byId: ReadonlyMap<string, Rate>;
  readonly readOnly: boolean;
  readonly set: (crewId: string, hours: string) => void;
  readonly remove: () => void;
}) {
  const known = crews.find(({ id }) => id === crew!.id);
  return (
    <tr>
      <td className="costs-type">crew</td>
      <td>
        <Cell
          name="cost-amount"
          label="Hours of the crew"
          align="right"
          shown={crew!.hours}
          readOnly={readOnly || !known}
          commit={(typed) => set(crew!.id, decimal(typed, 6))}
        />
      </td>
      <td className="soft">hours of</td>
      <td>
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
      <td className="recipe-acts">{!readOnly && <RemoveCost label="Remove the crew" remove={remove} />}</td>
    </tr>
  );
}

function RemoveCost({ label, remove }: { readonly label: string; readonly remove: () => void }) {
  return (
    <button type="button" className="grip grip-shown" aria-label={label} onClick={remove}>
      ×
    </button>
  );
}

const labour = (rate: Rate | undefined, hours: string): CostPart => ({
  type: 'labour',
  hours,
  rate: rate?.normal ?? '0',
  ...(rate ? { overtimeRate: rate.overtime, rateId: rate.id } : {}),
});

/** One cost of a type; labour by hours and a rate. `number` tells it from the others, from 1. */
function PartRow({
  part,
  number,
  rates,
  unit,
  readOnly,
  ofType,
  set,
  remove,
}: {
  readonly part: CostPart;
  readonly number: number;
  readonly rates: readonly Rate[];
  readonly unit: ItemInput['unit'];
  readonly readOnly: boolean;
  readonly ofType: (type: CostType) => CostPart;
  readonly set: (part: CostPart) => void;
  readonly remove: () => void;
}) {
  return (
    <tr>
      <td className="costs-type">
        <Select
          size="small"
          popupMatchSelectWidth={false}
          aria-label={`Cost type ${number}`}
          disabled={readOnly}
          value={part.type}
          onChange={(picked: string) => set(ofType(picked as CostType))}
          options={costTypes.map((type) => ({ value: type, label: costTypeName(type) }))}
        />
      </td>
      {part.type === 'labour' ? (
        <>
          <td>
            <Cell
              name="cost-amount"
              label={`Hours ${number}`}
              align="right"
              shown={part.hours}
              readOnly={readOnly}
              commit={(typed) => set({ ...part, hours: decimal(typed, 6) })}
            />
          </td>
          <td className="soft">hours of</td>
          <td>
            <Select
              size="small"
              popupMatchSelectWidth={false}
              aria-label={`Rate ${number}`}
              disabled={readOnly}
              value={part.rateId ?? ''}
              onChange={(picked: string) =>
                set(
                  labour(
                    rates.find(({ id }) => id === picked),
                    part.hours,
                  ),
                )
              }
              options={[
                ...(part.rateId === undefined ? [{ value: '', label: `at ${part.rate}` }] : []),
                ...rates.map(({ id, name, normal }) => ({ value: id, label: `${name}, ${normal}` })),
              ]}
            />
          </td>
        </>
      ) : (
        <>
          <td>
            <Cell
              name="cost-amount"
              label={`Amount ${number}`}
              align="right"
              shown={part.amount}
              readOnly={readOnly}
              commit={(typed) => set({ ...part, amount: decimal(typed, 4) })}
            />
          </td>
          <td className="soft" colSpan={2}>
            per {unitName(unit)}
          </td>
        </>
      )}
      <td className="amount">{showUnitAmount(itemUnitCost([part]))}</td>
      <td className="recipe-acts">
        {!readOnly && <RemoveCost label={`Remove cost ${number}`} remove={remove} />}
      </td>
    </tr>
  );
}

/** What one unit of an item costs, by cost type; labour by hours and a rate of the library, or hours of a crew. */
export function CostsTable({
  costs,
  rates,
  crews,
  unit,
  readOnly,
  change,
}: {
  readonly costs: readonly CostPart[];
  readonly rates: readonly Rate[];
  readonly crews: readonly Crew[];
  readonly unit: ItemInput['unit'];
  readonly readOnly: boolean;
  readonly change: (costs: CostPart[]) => void;
}) {
  const byId = new Map(rates.map((rate) => [rate.id, rate]));
  const without = (parts: readonly CostPart[]) => costs.filter((part) => !parts.includes(part));
  /** Puts the parts of a crew where a group stood, or at the end. */
  const setCrew = (group: Group | null, crewId: string, hours: string) => {
    const crew = crews.find(({ id }) => id === crewId);
    if (!crew) return;
    const rest = group ? without(group.parts) : costs;
    const at = group?.at ?? rest.length;
    change([...rest.slice(0, at), ...crewParts(crew, hours, byId), ...rest.slice(at)]);
  };
  const ofType = (type: CostType): CostPart =>
    type === 'labour' ? labour(rates[0], '1') : { type, amount: '0' };
  return (
    <section>
      <h2>
        One {unitName(unit)} costs {showUnitAmount(itemUnitCost(costs))}
      </h2>
      {costs.length > 0 && (
        <table className="table-plain recipe-table costs-table">
          <tbody>
            {groupsOf(costs).map((group) =>
              group.crew ? (
                <CrewRow
                  key={`crew ${group.at}`}
                  group={group}
                  crews={crews}
                  byId={byId}
                  readOnly={readOnly}
                  set={(crewId, hours) => setCrew(group, crewId, hours)}
                  remove={() => change(without(group.parts))}
                />
              ) : (
                <PartRow
                  key={group.at}
                  part={group.parts[0]!}
                  number={group.at + 1}
                  rates={rates}
                  unit={unit}
                  readOnly={readOnly}
                  ofType={ofType}
                  set={(part) => change(costs.map((each, i) => (i === group.at ? part : each)))}
                  remove={() => change(without(group.parts))}
                />
              ),
            )}
          </tbody>
        </table>
      )}
      {!readOnly && costs.length < 20 && (
        <div className="library-bar">
          {costTypes.map((type) => (
            <Button key={type} size="small" onClick={() => change([...costs, ofType(type)])}>
              Add {costTypeName(type)}
            </Button>
          ))}
          {crews.length > 0 && costs.length < 9 && (
            <Button size="small" onClick={() => setCrew(null, crews[0]!.id, '0.1')}>
              Add crew
            </Button>
          )}
        </div>
      )}
    </section>
  );
}

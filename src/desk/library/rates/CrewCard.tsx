import { Button, Select } from 'antd';
import { parseFixed, showUnitAmount } from '@/core/number';
import { crewHour } from '@/core/price';
import type { Crew, CrewInput, Rate } from '@/model';
import { Cell } from '@/ui/live/Cell';
import { followInWords, readHourly } from './hourly';

type Change = (patch: Partial<CrewInput>) => void;

interface CrewProps {
  readonly crew: Crew;
  readonly rates: readonly Rate[];
  readonly readOnly: boolean;
  readonly change: Change;
}

/** The list with one of it changed; undefined takes it out. */
const withAt = <T,>(list: readonly T[], at: number, next: T | undefined): T[] =>
  list.flatMap((each, i) => (i !== at ? [each] : next === undefined ? [] : [next]));

/** @throws Error in words for what is no whole number up to 50 */
function readHeads(text: string): number {
  const heads = Number(text);
  if (!Number.isInteger(heads) || heads < 0 || heads > 50) throw new Error('A whole number up to 50.');
  return heads;
}

/** The people and the equipment of a crew, each with what an hour costs. */
function CrewTable({ crew: { people, equipment }, rates, readOnly, change }: CrewProps) {
  const byId = new Map(rates.map((rate) => [rate.id, rate]));
  return (
    <table className="table-plain crew-table">
      <tbody>
        {people.map((each, i) => {
          const rate = byId.get(each.rateId);
          return (
            <tr key={`p${i}`}>
              <td>
                <Cell
                  name="crew-count"
                  label={`How many ${rate?.name ?? ''}`}
                  align="right"
                  shown={String(each.count)}
                  readOnly={readOnly}
                  commit={(text) => {
                    const count = readHeads(text);
                    change({ people: withAt(people, i, count === 0 ? undefined : { ...each, count }) });
                  }}
                />
              </td>
              <td>{rate?.name}</td>
              <td className="amount">{showUnitAmount(parseFixed(rate?.normal ?? '0'))}</td>
            </tr>
          );
        })}
        {equipment.map((each, i) => (
          <tr key={`e${i}`}>
            <td />
            <td>
              <Cell
                name="crew-equipment"
                label="Equipment"
                shown={each.name}
                readOnly={readOnly}
                commit={(text) => {
                  const name = text.trim().slice(0, 100);
                  change({ equipment: withAt(equipment, i, name === '' ? undefined : { ...each, name }) });
                }}
              />
            </td>
            <td>
              <Cell
                name="crew-per-hour"
                label={`${each.name}, per hour`}
                align="right"
                shown={showUnitAmount(parseFixed(each.perHour))}
                readOnly={readOnly}
                commit={(text) =>
                  change({ equipment: withAt(equipment, i, { ...each, perHour: readHourly(text) }) })
                }
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Adds people by their rates, and equipment. */
function CrewAdd({ crew: { name, people, equipment }, rates, change }: CrewProps) {
  const addPerson = (rateId: string) => {
    const at = people.findIndex((each) => each.rateId === rateId);
    const known = people[at];
    change({
      people: known
        ? withAt(people, at, { ...known, count: known.count + 1 })
        : [...people, { rateId, count: 1 }],
    });
  };
  return (
    <div className="library-bar">
      {people.length < 10 && (
        <Select
          size="small"
          popupMatchSelectWidth={false}
          aria-label={`Add people to ${name}`}
          value=""
          onChange={addPerson}
          options={[
            { value: '', label: 'Add a person …' },
            ...rates.map(({ id, name: who }) => ({ value: id, label: who })),
          ]}
        />
      )}
      {equipment.length < 20 && (
        <Button
          size="small"
          onClick={() => change({ equipment: [...equipment, { name: 'Equipment', perHour: '0' }] })}
        >
          Add equipment
        </Button>
      )}
    </div>
  );
}

/** A crew: people of several rates and equipment, priced by the hour they work together. */
export function CrewCard(props: CrewProps & { readonly items: number; readonly remove: () => void }) {
  const { crew, rates, readOnly, change } = props;
  return (
    <section className="panel crew" aria-label={crew.name}>
      <div className="crew-head">
        <Cell
          name="crew-name"
          label="Name of the crew"
          shown={crew.name}
          readOnly={readOnly}
          commit={(text) => text.trim() && change({ name: text.trim().slice(0, 100) })}
        />
        <strong>
          {showUnitAmount(crewHour(crew, new Map(rates.map((rate) => [rate.id, rate]))))} an hour
        </strong>
        <span className="soft">{followInWords(props.items)}</span>
        {!readOnly && (
          <Button type="link" size="small" onClick={props.remove}>
            Remove
          </Button>
        )}
      </div>
      <CrewTable {...props} />
      {!readOnly && <CrewAdd {...props} />}
    </section>
  );
}

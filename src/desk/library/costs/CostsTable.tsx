'use client';

import { Button } from 'antd';
import { showUnitAmount, writeFixed } from '@/core/number';
import { crewParts, itemUnitCost } from '@/core/price';
import { parseQuantity } from '@/core/quantity';
import { costTypeName } from '@/core/text/names';
import type { CostPart, CostType, Crew, Markups, Rate, UnitCode } from '@/model';
import { costTypes, oneUnit } from '@/model';
import { Cell } from '@/ui/live/Cell';
import type { CostGroup } from './costGroups';
import { groupsOf, labourPart } from './costGroups';
import { CostRow } from './CostRow';
import { CrewRow } from './CrewRow';
import './costs.css';

/** A markup as it is typed; empty takes it back. */
function readMarkup(typed: string): string | null {
  const text = typed.replace(/%/g, '').trim();
  if (text === '') return null;
  const value = parseQuantity(text, 4);
  if (value < 0n || value > 999_000_000n) throw new Error('From 0 to 999 %.');
  return writeFixed(value);
}

interface CostsTableProps {
  readonly costs: readonly CostPart[];
  readonly rates: readonly Rate[];
  readonly crews: readonly Crew[];
  readonly unit: UnitCode;
  readonly readOnly: boolean;
  readonly change: (costs: CostPart[]) => void;
  /** Markup by cost type, where a type may have one of its own here. */
  readonly markups?: {
    readonly of: Markups | undefined;
    readonly change: (markups: Markups | null) => void;
  };
  readonly title?: React.ReactNode;
}

/** The markup of a cost type on this line; empty: as everywhere else. */
function MarkupCell({
  type,
  readOnly,
  of,
  change,
}: { readonly type: CostType; readonly readOnly: boolean } & NonNullable<CostsTableProps['markups']>) {
  return (
    <Cell
      name="cost-markup"
      label={`Markup on ${costTypeName(type)}, percent`}
      align="right"
      shown={of?.[type] === undefined ? '' : `${of[type]} %`}
      typed={of?.[type] ?? ''}
      placeholder="as usual"
      readOnly={readOnly}
      commit={(typed) => {
        const { [type]: _, ...rest } = of ?? {};
        const percent = readMarkup(typed);
        const next: Markups = percent === null ? rest : { ...rest, [type]: percent };
        change(Object.keys(next).length === 0 ? null : next);
      }}
    />
  );
}

/**
 * What one unit costs, by cost type: amounts, labour by hours, overtime or days at a rate, hours of a crew, equipment by the
 * hour or day.
 */
export function CostsTable(props: CostsTableProps) {
  const { costs, rates, crews, unit, readOnly, change, markups } = props;
  const byId = new Map(rates.map((rate) => [rate.id, rate]));
  const without = (parts: readonly CostPart[]) => costs.filter((part) => !parts.includes(part));
  /** Puts the parts of a crew where a group stood, or at the end. */
  const setCrew = (group: CostGroup | null, crewId: string, hours: string) => {
    const crew = crews.find(({ id }) => id === crewId);
    if (!crew) return;
    const rest = group ? without(group.parts) : costs;
    const at = group?.at ?? rest.length;
    change([...rest.slice(0, at), ...crewParts(crew, hours, byId), ...rest.slice(at)]);
  };
  const ofType = (type: CostType): CostPart =>
    type === 'labour' ? labourPart('hour', '1', rates[0]) : { type, amount: '0' };
  /** The markup of a type stands at its first row. */
  const marked = new Set<CostType>();
  const markupOf = (type: CostType) => {
    if (!markups) return undefined;
    if (marked.has(type)) return null;
    marked.add(type);
    return <MarkupCell type={type} readOnly={readOnly} {...markups} />;
  };
  return (
    <section>
      {props.title ?? (
        <h2>
          {oneUnit(unit)} costs {showUnitAmount(itemUnitCost(costs))}
        </h2>
      )}
      {costs.length > 0 && (
        <table className="table-plain costs-table">
          <colgroup>
            <col className="costs-type" />
            <col className="costs-figure" />
            <col className="costs-way" />
            <col />
            <col className="costs-sum" />
            {markups && <col className="costs-markup" />}
            <col className="costs-acts" />
          </colgroup>
          {markups && (
            <thead>
              <tr>
                <th colSpan={4}>What it is made of</th>
                <th className="amount">Comes to</th>
                <th className="amount">Markup</th>
                <th scope="col">
                  <span className="visually-hidden">Acts</span>
                </th>
              </tr>
            </thead>
          )}
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
                  withMarkup={markups !== undefined}
                />
              ) : (
                <CostRow
                  key={group.at}
                  part={group.parts[0]!}
                  number={group.at + 1}
                  rates={rates}
                  unit={unit}
                  readOnly={readOnly}
                  ofType={ofType}
                  set={(part) => change(costs.map((each, i) => (i === group.at ? part : each)))}
                  remove={() => change(without(group.parts))}
                  markup={markupOf(group.parts[0]!.type)}
                />
              ),
            )}
          </tbody>
        </table>
      )}
      {!readOnly && costs.length < 20 && (
        <div className="costs-add">
          {costTypes.map((type) => (
            <Button key={type} size="small" onClick={() => change([...costs, ofType(type)])}>
              Add {costTypeName(type)}
            </Button>
          ))}
          {crews.length > 0 && costs.length < 9 && (
            <Button size="small" onClick={() => setCrew(null, crews[0]!.id, '1')}>
              Add crew
            </Button>
          )}
        </div>
      )}
    </section>
  );
}

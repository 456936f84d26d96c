import { Select } from 'antd';
import { parseFixed, showDecimal, showUnitAmount } from '@/core/number';
import { itemUnitCost } from '@/core/price';
import { costTypeName } from '@/core/text/names';
import type { CostPart, CostType, Rate, UnitCode } from '@/model';
import { costTypes, perUnit } from '@/model';
import { Cell } from '@/ui/live/Cell';
import type { CostWay } from './costGroups';
import {
  dayOf,
  figureOf,
  inWay,
  labourPart,
  ownRateOf,
  readCost,
  wayOf,
  waysOf,
  withFigure,
  withOwnRate,
} from './costGroups';
import { RemoveCost } from './RemoveCost';

interface CostRowProps {
  readonly part: CostPart;
  /** Tells it from the others, from 1. */
  readonly number: number;
  readonly rates: readonly Rate[];
  readonly unit: UnitCode;
  readonly readOnly: boolean;
  readonly ofType: (type: CostType) => CostPart;
  readonly set: (part: CostPart) => void;
  readonly remove: () => void;
  /** The markup of its type, where it may have one of its own here. */
  readonly markup?: React.ReactNode;
}

const shown = (amount: string) => showUnitAmount(parseFixed(amount));

const rateIn = (rate: Rate, way: CostWay): string =>
  way === 'day' ? `${shown(dayOf(rate))} a day` : shown(way === 'overtime' ? rate.overtime : rate.normal);

/** A rate that is typed: of its own for labour, of the machine for equipment. */
const OwnRate = ({ part, number, readOnly, set }: CostRowProps) => (
  <Cell
    name="cost-rate"
    label={`Rate ${number}, typed`}
    align="right"
    shown={shown(ownRateOf(part))}
    typed={ownRateOf(part)}
    readOnly={readOnly}
    commit={(typed) => set(withOwnRate(part, readCost(typed, 4)))}
  />
);

/** The rate of labour: one of the library, or one of its own. */
function LabourRate(props: CostRowProps & { readonly part: Extract<CostPart, { type: 'labour' }> }) {
  const { part, number, rates, readOnly, set } = props;
  const way = wayOf(part);
  const known = rates.some(({ id }) => id === part.rateId);
  return (
    <span className="cost-rate">
      <Select
        size="small"
        popupMatchSelectWidth={false}
        aria-label={`Rate ${number}`}
        disabled={readOnly}
        value={known ? part.rateId! : ''}
        onChange={(picked: string) => {
          const rate = rates.find(({ id }) => id === picked);
          const next = labourPart(way, figureOf(part), rate);
          set(rate ? next : withOwnRate(next, ownRateOf(part)));
        }}
        options={[
          ...rates.map((rate) => ({ value: rate.id, label: `${rate.name}, ${rateIn(rate, way)}` })),
          { value: '', label: known ? 'a rate of its own' : 'at a rate of its own' },
        ]}
      />
      {!known && <OwnRate {...props} />}
    </span>
  );
}

/** One cost of a type: an amount, or hours, days or overtime at a rate. */
export function CostRow(props: CostRowProps) {
  const { part, number, rates, unit, readOnly, ofType, set, remove, markup } = props;
  const ways = part.type === 'labour' || part.type === 'equipment' ? waysOf(part.type) : null;
  return (
    <tr>
      <td className="costs-type">
        <Select
          size="small"
          popupMatchSelectWidth={false}
          aria-label={`Cost type ${number}`}
          disabled={readOnly}
          value={part.type}
          onChange={(picked: CostType) => set(ofType(picked))}
          options={costTypes.map((type) => ({ value: type, label: costTypeName(type) }))}
        />
      </td>
      <td className="costs-figure">
        <Cell
          name="cost-amount"
          label={'hours' in part ? `Hours ${number}` : 'days' in part ? `Days ${number}` : `Amount ${number}`}
          align="right"
          shown={showDecimal(figureOf(part))}
          typed={figureOf(part)}
          readOnly={readOnly}
          commit={(typed) => set(withFigure(part, typed))}
        />
      </td>
      <td className="costs-way soft">
        {ways ? (
          <Select
            size="small"
            popupMatchSelectWidth={false}
            aria-label={`How cost ${number} is worked out`}
            disabled={readOnly}
            value={wayOf(part)}
            onChange={(way: CostWay) => set(inWay(part, way, rates))}
            options={ways.map(({ value, label }) => ({
              value,
              label: value === 'unit' ? perUnit(unit) : label,
            }))}
          />
        ) : (
          perUnit(unit)
        )}
      </td>
      <td className="costs-rate">
        {part.type === 'labour' ? (
          <LabourRate {...props} part={part} />
        ) : (
          'times' in part && <OwnRate {...props} />
        )}
      </td>
      <td className="amount">{showUnitAmount(itemUnitCost([part]))}</td>
      {markup !== undefined && <td className="costs-markup">{markup}</td>}
      <td className="costs-acts">
        {!readOnly && <RemoveCost label={`Remove cost ${number}`} remove={remove} />}
      </td>
    </tr>
  );
}

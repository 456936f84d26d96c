import type { RatesAndCrews } from '@/services/library/rates';
import { parseFixed, showUnitAmount } from '@/core/number';
import type { Rate } from '@/model';
import { Cell } from '@/ui/live/Cell';
import { dayOf } from '../costs/costGroups';
import { followInWords, readHourly } from './hourly';

type ShownRate = RatesAndCrews['rates'][number];

/** Labor rates: who, what an hour costs, normal and overtime, what a day does, and what follows them. */
export function RatesTable({
  rates,
  readOnly,
  change,
}: {
  readonly rates: readonly ShownRate[];
  readonly readOnly: boolean;
  readonly change: (rate: ShownRate, patch: Partial<Omit<Rate, 'id'>>) => void;
}) {
  const hourly = (rate: ShownRate, field: 'normal' | 'overtime') => (
    <Cell
      name={`rate-${field}`}
      label={`${rate.name}, ${field}`}
      align="right"
      shown={showUnitAmount(parseFixed(rate[field]))}
      readOnly={readOnly}
      commit={(text) => change(rate, { [field]: readHourly(text) })}
    />
  );
  return (
    <table className="table-plain rates-table">
      <thead>
        <tr>
          <th>Who</th>
          <th className="amount">Normal</th>
          <th className="amount">Overtime</th>
          <th className="amount">A day</th>
          <th>In use by</th>
        </tr>
      </thead>
      <tbody>
        {rates.map((rate) => (
          <tr key={rate.id}>
            <td>
              <Cell
                name="rate-name"
                label="Who"
                shown={rate.name}
                readOnly={readOnly}
                commit={(text) => text.trim() && change(rate, { name: text.trim().slice(0, 100) })}
              />
            </td>
            <td>{hourly(rate, 'normal')}</td>
            <td>{hourly(rate, 'overtime')}</td>
            <td>
              <Cell
                name="rate-day"
                label={`${rate.name}, a day`}
                align="right"
                shown={typeof rate.day === 'string' ? showUnitAmount(parseFixed(rate.day)) : ''}
                placeholder={showUnitAmount(parseFixed(dayOf({ normal: rate.normal })))}
                readOnly={readOnly}
                commit={(text) => change(rate, { day: text.trim() === '' ? null : readHourly(text) })}
              />
            </td>
            <td className="soft">{followInWords(rate.items)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

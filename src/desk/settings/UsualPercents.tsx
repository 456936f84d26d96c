'use client';

import { Input } from 'antd';
import { MarkupsTable } from '../markups/MarkupsTable';
import type { UsualTerms } from '@/model';

interface Percent {
  readonly key: string;
  readonly name: string;
  readonly of: string;
  readonly value: string;
  /** The terms with another percentage in this place. */
  readonly set: (percent: string) => UsualTerms;
}

function percentsOf(usual: UsualTerms): readonly { title: string; rows: readonly Percent[] }[] {
  const replaced = <T,>(list: readonly T[], at: number, next: T): T[] =>
    list.map((each, i) => (i === at ? next : each));
  const payments = usual.schedule.flatMap((entry, i): Percent[] =>
    'percent' in entry.share
      ? [
          {
            key: entry.id,
            name: entry.name,
            of: '% of the total',
            value: entry.share.percent,
            set: (percent) => ({
              ...usual,
              schedule: replaced(usual.schedule, i, { ...entry, share: { percent } }),
            }),
          },
        ]
      : [],
  );
  return [{ title: 'Payments', rows: payments }].filter(({ rows }) => rows.length > 0);
}

/** The percentages a proposal from nothing begins with. */
export function UsualPercents({
  usual,
  disabled,
  change,
}: {
  readonly usual: UsualTerms;
  readonly disabled: boolean;
  readonly change: (usual: UsualTerms) => void;
}) {
  return (
    <div className="usual">
      <fieldset disabled={disabled} className="usual-markups">
        <legend>From cost to price</legend>
        <MarkupsTable
          label="Usual markups"
          loads={usual.loads}
          readOnly={disabled}
          change={(loads) => change({ ...usual, loads })}
        />
      </fieldset>
      {percentsOf(usual).map(({ title, rows }) => (
        <fieldset key={title} disabled={disabled}>
          <legend>{title}</legend>
          {rows.map((row) => (
            <label key={row.key}>
              <span>{row.name}</span>
              <Input
                inputMode="decimal"
                disabled={disabled}
                aria-label={`${row.name}, ${row.of}`}
                value={row.value}
                onChange={({ target }) => change(row.set(target.value))}
              />
              <span className="soft">{row.of}</span>
            </label>
          ))}
        </fieldset>
      ))}
    </div>
  );
}

'use client';

import { Switch, Select } from 'antd';
import { showValue } from '@/core/bundle';
import { showAmount } from '@/core/number';
import type { BundleFigures } from '@/core/price';
import type { Recipe } from '@/model';
import { Cell } from '@/ui/live/Cell';
import type { TrialState } from './draft';

/** So many troubles are told at once. */
const TOLD = 8;

/** The bundle tried with sample inputs: what it comes to, what the customer reads, and what does not work. */
export function TrialPanel({
  recipe,
  figures,
  trial,
  minorDigits,
  currency,
  setTrial,
}: {
  readonly recipe: Recipe;
  readonly figures: BundleFigures;
  readonly trial: TrialState;
  readonly minorDigits: number;
  readonly currency: string;
  readonly setTrial: (trial: TrialState) => void;
}) {
  const { sized } = figures;
  return (
    <aside className="panel trial" aria-label="Trial">
      <h2>Trial</h2>
      <label className="trial-room">
        <Switch
          size="small"
          checked={trial.inRoom}
          onChange={(inRoom) => setTrial({ ...trial, inRoom })}
          aria-label="In a room of 16 by 12 ft, 8 ft high"
        />{' '}
        in a room of 16 by 12 ft, 8 ft high
      </label>
      {recipe.grades.length > 1 && (
        <Select
          size="small"
          popupMatchSelectWidth={false}
          aria-label="Grade tried"
          value={trial.grade ?? recipe.grades[0]!.id}
          onChange={(picked: string) => setTrial({ ...trial, grade: picked })}
          options={recipe.grades.map(({ id, name }) => ({ value: id, label: name }))}
        />
      )}
      <dl className="trial-inputs">
        {sized.inputs.map(({ input, source, text, value, trouble }) => (
          <div key={input.name}>
            <dt>{input.label}</dt>
            <dd>
              <Cell
                name="trial"
                label={`Try ${input.label}`}
                shown={value ? showValue(value, 'us') : text}
                typed={text}
                mark={trouble ? 'open' : source === 'typed' ? 'typed' : undefined}
                commit={(typed) => setTrial({ ...trial, values: { ...trial.values, [input.name]: typed } })}
              />
              {trouble && <span className="wrong">{trouble.message}</span>}
            </dd>
          </div>
        ))}
      </dl>
      <div className="trial-sum">{showAmount(figures.net, minorDigits)}</div>
      <div className="soft">
        {currency} price with your usual markup · cost {showAmount(figures.cost, minorDigits)}
      </div>
      <p className="trial-name">{sized.name}</p>
      {sized.detail && <p className="soft">{sized.detail}</p>}
      {sized.troubles.length > 0 && (
        <ul className="trial-troubles" aria-label="What does not work">
          {sized.troubles.slice(0, TOLD).map(({ place, message }, i) => (
            <li key={i} className="wrong">
              {place}: {message}
            </li>
          ))}
          {sized.troubles.length > TOLD && <li className="wrong">{sized.troubles.length - TOLD} more</li>}
        </ul>
      )}
    </aside>
  );
}

'use client';

import { Fragment } from 'react';
import { withLevel } from '@/core/choice/differencesBy';
import { showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import type { CustomerLevel, CustomerLevels } from '@/model/customerView';
import type { Choose } from './Section';
import { WayButton } from './Section';
import { signed } from './signed';

/** Levels side by side, a column each: its total, the difference it makes, and row by row what differs. */
export function Levels({ tiers, choose }: { tiers: CustomerLevels; choose: Choose }) {
  const { levels, rows } = tiers;
  const recommended = levels.find((level) => level.recommended);
  const column = (level: CustomerLevel) =>
    `level-cell ${level.picked ? 'level-picked' : ''} ${level.hindrance ? 'level-out' : ''}`;
  const idOf = (level: CustomerLevel) => `${tiers.id}-${level.id}`;
  const cells = (of: (level: CustomerLevel, i: number) => string | null) =>
    levels.map((level, i) => (
      <label key={level.id} htmlFor={idOf(level)} className={column(level)}>
        {of(level, i) ?? <span className="level-without">not in</span>}
      </label>
    ));
  return (
    <fieldset className="decide levels" disabled={!choose}>
      <legend>
        <span className="decide-who">You choose</span>
        <span className="decide-what">{tiers.prompt}</span>
        {tiers.detail && <span className="card-detail">{tiers.detail}</span>}
        {tiers.until && <span className="card-detail">To decide by {showDate(tiers.until)}</span>}
      </legend>
      <div className="level-grid" data-count={levels.length}>
        {levels.map((level) => (
          <label key={level.id} className={`${column(level)} level-head`}>
            <input
              id={idOf(level)}
              type="radio"
              name={tiers.id}
              checked={level.picked}
              disabled={!choose || level.hindrance !== null}
              onChange={() => choose?.((before) => withLevel(before, tiers.id, level.id))}
            />
            <span className="level-name">{level.name}</span>
            <span className="level-total">{showDecimal(level.total)}</span>
            <span className="level-difference">{level.picked ? 'as chosen' : signed(level.difference)}</span>
            {level.recommended && <span className="card-advice">Recommended</span>}
            {level.detail && <span className="level-detail">{level.detail}</span>}
          </label>
        ))}
        {rows.map((row, at) => (
          // Two parts may be called the same.
          <div key={`${at} ${row.name}`} className="level-row">
            <span className="level-row-name">{row.name}</span>
            {cells((_, i) => row.cells[i] ?? null)}
          </div>
        ))}
      </div>
      {recommended && tiers.reason && (
        <p className="card-reason">
          {recommended.name}: {tiers.reason}
        </p>
      )}
      {levels
        .filter(({ hindrance }) => hindrance !== null)
        .map(({ id, name, hindrance, way }) => (
          <Fragment key={id}>
            <span className="card-hindrance">{hindrance}</span>
            <WayButton name={`“${name}”`} way={way} choose={choose} />
          </Fragment>
        ))}
    </fieldset>
  );
}

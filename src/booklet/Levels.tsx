'use client';

import { withLevel } from '@/core/choice/differencesBy';
import { showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import type { CustomerTiers } from '@/model/customerView';
import type { Choose } from './Section';
import { CardNotes } from './Section';
import { signed } from './signed';

/** Levels side by side: each with its total, what it has that others have not, and the difference it makes. */
export function Levels({ tiers, choose }: { tiers: CustomerTiers; choose: Choose }) {
  const { levels, rows } = tiers;
  return (
    <fieldset className="decide levels" disabled={!choose}>
      <legend>
        <span className="decide-who">You choose</span>
        <span className="decide-what">{tiers.prompt}</span>
        {tiers.detail && <span className="card-detail">{tiers.detail}</span>}
        {tiers.until && <span className="card-detail">To decide by {showDate(tiers.until)}</span>}
      </legend>
      <div className="level-cards" data-count={levels.length}>
        {levels.map((level, i) => (
          <label
            key={level.id}
            className={`level ${level.picked ? 'card-picked' : ''} ${level.hindrance ? 'card-out' : ''}`}
          >
            <span className="level-head">
              <input
                type="radio"
                name={tiers.id}
                checked={level.picked}
                disabled={!choose || level.hindrance !== null}
                onChange={() => choose?.((before) => withLevel(before, tiers.id, level.id))}
              />
              <span className="level-name">{level.name}</span>
            </span>
            <span className="level-total">{showDecimal(level.total)}</span>
            <span className="level-difference">{level.picked ? 'as chosen' : signed(level.difference)}</span>
            {level.recommended && (
              <span className="card-reason">
                <span className="card-advice">We recommend this</span> {tiers.reason}
              </span>
            )}
            {level.detail && <span className="card-detail">{level.detail}</span>}
            <CardNotes hindrance={level.hindrance} />
            <ul className="level-rows">
              {rows.map(({ name, cells }) => (
                <li key={name} className={cells[i] === null ? 'level-without' : ''}>
                  <span className="level-what">{name}</span>{' '}
                  <span className="level-cell">{cells[i] ?? 'not in'}</span>
                </li>
              ))}
            </ul>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

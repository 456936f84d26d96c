'use client';

import { Checkbox } from 'antd';
import { extrasOf } from '@/core/choice';
import { findLine, setBundle, setExtra, setSectionExtra } from '@/core/editing';
import { showDifference } from '@/core/number';
import type { Extra, Line } from '@/model';
import { useEditor } from '../context';
import { Until } from './Until';
import { QuantityLimits } from '../sheet/LineDetails';

/** Everything the customer may leave out or take in, each with its difference and its terms. */
export function ExtrasCard() {
  const { work, figures, bundles, differences, readOnly } = useEditor();
  const { document } = work;
  const rows = document.sections.flatMap((section) =>
    [...extrasOf(section)].map((offered) => ({ ...offered, section })),
  );
  if (rows.length === 0) return null;
  return (
    <section className="choice-card" aria-label="Extras">
      <ul className="extra-rows">
        {rows.map(({ id, name, extra, section }) => {
          const isSection = id === section.id;
          const line: Line | null = isSection ? null : (findLine(document, id)?.line ?? null);
          const bundle = bundles.get(id);
          const found = differences.extras.find(({ lineId }) => lineId === id);
          const change = (next: Extra) =>
            work.edit((draft) => {
              const { quantity: _, ...plain } = next;
              if (isSection) setSectionExtra(draft, id, plain);
              else if (line) setExtra(draft, id, next);
              else setBundle(draft, id, { extra: plain });
            });
          return (
            <li key={id}>
              <div className="extra-head">
                <span>
                  {isSection ? `All of ${name}` : (bundle?.sized.name ?? name)}
                  {!isSection && <span className="soft"> · {section.title}</span>}
                </span>
                <span className="amount">
                  {found ? showDifference(found.difference, figures.minorDigits) : ''}
                </span>
              </div>
              <div className="choice-terms">
                <Checkbox
                  disabled={readOnly}
                  checked={extra.in}
                  onChange={({ target }) => change({ ...extra, in: target.checked })}
                >
                  in unless left out
                </Checkbox>
                {line && <QuantityLimits line={line} />}
                <Until
                  label={name}
                  until={extra.until}
                  readOnly={readOnly}
                  change={(until) => {
                    const { until: _, ...rest } = extra;
                    change(until === null ? rest : { ...rest, until });
                  }}
                />
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

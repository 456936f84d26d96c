'use client';

import { Fragment } from 'react';
import { useEditorActions } from './context';
import { choicesInWords, menuOf } from '@/core/choice';
import { moneyOf, showPercent } from '@/core/number';
import type { End, Range } from '@/core/range';
import type { Figures } from '@/core/price';
import type { ProposalDocument } from '@/model';

/** The choices at one end; many are folded. */
function EndWords({ all }: { all: readonly string[] }) {
  if (all.length === 0) return <span className="soft end-words">as suggested</span>;
  if (all.length <= 3) return <span className="soft end-words">{all.join(', ')}</span>;
  return (
    <details className="soft end-words">
      <summary>{all.length} choices</summary>
      {all.join(', ')}
    </details>
  );
}

/** Where the proposal stands between the least and the most its customer can make of it, and the least and most we earn. */
export function RangeChart({
  document,
  figures,
  range,
  waiting,
}: {
  document: ProposalDocument;
  figures: Figures;
  range: Range | null;
  waiting: boolean;
}) {
  const { seesCost } = useEditorActions();
  if (!range && !waiting) return null;
  const money = moneyOf(figures.minorDigits);
  const words = (end: End) => <EndWords all={choicesInWords(menuOf(document), end.choices)} />;
  const width = range ? Number(range.highest.total - range.lowest.total) : 0;
  const at = range && width > 0 ? Number(figures.total - range.lowest.total) / width : 0.5;
  return (
    <section className="range" aria-label="Over all choices" aria-busy={waiting}>
      <h2 className="column-title">Over all choices</h2>
      {range ? (
        <>
          <svg viewBox="0 0 200 14" className="range-line" aria-hidden="true">
            <path d="M3 7H197" />
            <path d="M3 2V12M197 2V12" />
            <circle cx={3 + at * 194} cy="7" r="4.5" />
          </svg>
          <dl className="pairs">
            <dt>Lowest {words(range.lowest)}</dt>
            <dd>{money.show(range.lowest.total)}</dd>
            <dt>As suggested</dt>
            <dd>{money.show(figures.total)}</dd>
            <dt>Highest {words(range.highest)}</dt>
            <dd>{money.show(range.highest.total)}</dd>
            {(seesCost
              ? ([
                  ['Lowest margin', range.lowestMargin],
                  ['Highest margin', range.highestMargin],
                ] as const)
              : []
            ).map(
              ([name, end]) =>
                end?.margin != null && (
                  <Fragment key={name}>
                    <dt>
                      {name} {words(end)}
                    </dt>
                    <dd>{showPercent(end.margin)}&nbsp;%</dd>
                  </Fragment>
                ),
            )}
          </dl>
          {!range.exact && <p className="soft">Cut short: there may be more beyond these ends.</p>}
        </>
      ) : (
        <p className="soft">Working it out …</p>
      )}
    </section>
  );
}

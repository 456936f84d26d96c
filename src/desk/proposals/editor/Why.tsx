'use client';

import type { Step } from '@/core/explain';

/** The way to a figure, step by step: the same words for an eye and for a screen reader. */
export function Why({ summary, steps }: { summary: string; steps: readonly Step[] }) {
  return (
    <details className="why">
      <summary>{summary}</summary>
      <Steps steps={steps} />
    </details>
  );
}

/** The steps by themselves. */
export function Steps({ steps }: { steps: readonly Step[] }) {
  return (
    <ol className="why-steps">
      {steps.map(({ what, how, comes }, i) => (
        <li key={`${i} ${what}`}>
          <span>
            <strong>{what}</strong> <span className="soft">{how}</span>
          </span>
          <span className="amount">{comes}</span>
        </li>
      ))}
    </ol>
  );
}

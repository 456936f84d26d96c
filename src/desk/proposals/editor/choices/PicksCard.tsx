'use client';

import { showDecimal } from '@/core/number';
import type { ProposalAtDesk } from '@/services/proposals/read';
import { showInstant } from '@/ui/instants';

/** Where the customer stands: what they picked so far, what it comes to, and when they looked last. */
export function PicksCard({ proposal, timeZone }: { proposal: ProposalAtDesk; timeZone: string }) {
  const { picks, links, revisions } = proposal;
  if (revisions.length === 0 || proposal.state === 'accepted') return null;
  const opened = links
    .map(({ lastOpenedAt }) => lastOpenedAt)
    .filter((at) => at !== null)
    .sort()
    .at(-1);
  return (
    <section className="picks" aria-label="The customer’s choices">
      <strong>The customer</strong>{' '}
      {opened ? `looked last on ${showInstant(opened, timeZone)}` : 'has not opened it yet'}
      {picks ? (
        <>
          ; {picks.by ? `${picks.by} chose for them` : 'chose'} on {showInstant(picks.at, timeZone)}, revision{' '}
          {picks.revision}: <strong>{showDecimal(picks.total)}</strong>
          {picks.words.length > 0 ? `, with ${picks.words.join(', ')}.` : ', as suggested.'}
        </>
      ) : (
        '; nothing chosen yet.'
      )}{' '}
      <span className="soft">Choose for them on the page Send, in the preview.</span>
    </section>
  );
}

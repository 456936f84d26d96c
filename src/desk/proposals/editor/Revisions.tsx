'use client';

import { App, Button, Modal } from 'antd';
import { useState } from 'react';
import type { ProposalAtDesk } from '@/services/proposals/read';
import type { DocumentChanges, LineState } from '@/core/offer';
import { isBelowZero, isNothing, showDecimal } from '@/core/number';
import type { Answer } from '@/model';
import { showInstant } from '@/ui/instants';
import { asked } from '@/ui/asked';
import './change/change.css';

export type Compare = (input: unknown) => Promise<Answer<DocumentChanges>>;

/** What was sent so far, each revision with its seal, and what changed from one to the next. */
export function Revisions({
  proposal,
  compare,
  timeZone,
}: {
  proposal: ProposalAtDesk;
  compare: Compare;
  timeZone: string;
}) {
  const { message } = App.useApp();
  const [seen, setSeen] = useState<{ title: string; changes: DocumentChanges } | null>(null);
  const newest = proposal.revisions[0];
  const look = async (from: number, to: number | null) => {
    const answer = await asked(compare({ proposalId: proposal.id, from, to }));
    if (!answer.ok) message.error(answer.problem.detail);
    else
      setSeen({
        title: to === null ? `Since revision ${from}` : `From revision ${from} to revision ${to}`,
        changes: answer.value,
      });
  };
  // Always on offer while it can be changed: what is typed meanwhile is saved without a word.
  return (
    <>
      <table className="table-plain table-close">
        <tbody>
          {newest && proposal.state !== 'accepted' && (
            <tr>
              <td className="nowrap">As it stands</td>
              <td className="soft">now</td>
              <td />
              <td>
                <Button size="small" type="link" onClick={() => void look(newest.number, null)}>
                  What changed
                </Button>
              </td>
            </tr>
          )}
          {proposal.revisions.map((revision, i) => (
            <tr key={revision.id}>
              <td className="nowrap">Revision {revision.number}</td>
              <td className="soft nowrap">{showInstant(revision.sentAt, timeZone)}</td>
              <td className="seal nowrap" title="SHA-256 of the frozen document">
                {revision.intact ? (
                  <>
                    {revision.sha256.slice(0, 8)}…{i === 0 ? '' : ' replaced'}
                  </>
                ) : (
                  <strong className="wrong" role="alert">
                    was changed in the database: its seal does not fit
                  </strong>
                )}
              </td>
              <td>
                {revision.number > 1 && (
                  <Button
                    size="small"
                    type="link"
                    aria-label={`What changed with revision ${revision.number}`}
                    onClick={() => void look(revision.number - 1, revision.number)}
                  >
                    What changed
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {seen && (
        <Modal
          open
          width={900}
          title={seen.title}
          footer={<Button onClick={() => setSeen(null)}>Close</Button>}
          onCancel={() => setSeen(null)}
        >
          <ChangesTable changes={seen.changes} />
        </Modal>
      )}
    </>
  );
}

const inShort = (state: LineState | null) =>
  state && `${showDecimal(state.quantity)} ${state.unit} at ${showDecimal(state.unitPrice)}`;

function ChangesTable({ changes }: { changes: DocumentChanges }) {
  const { lines, sums, words } = changes;
  const moved = sums.filter(({ before, after }) => before !== after);
  if (lines.length + words.length + moved.length === 0) return <p>Nothing is different.</p>;
  return (
    <div className="compare" role="region" aria-label="What changed" tabIndex={0}>
      {lines.length > 0 && (
        <table className="table-plain" aria-label="Lines that changed">
          <thead>
            <tr>
              <th>Line</th>
              <th>Before</th>
              <th>Now</th>
              <th className="amount">Cost</th>
              <th className="amount">On the price</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line, i) => (
              <tr key={i} className={line.after ? undefined : 'gone'}>
                <td>
                  {line.name} <span className="soft">{line.section}</span>
                </td>
                <td className="soft">{inShort(line.before) ?? 'new'}</td>
                <td>{inShort(line.after) ?? 'gone'}</td>
                <td className="amount soft">
                  {line.before && line.after && line.before.cost !== line.after.cost
                    ? `${showDecimal(line.before.cost)} → ${showDecimal(line.after.cost)}`
                    : showDecimal((line.after ?? line.before)!.cost)}
                </td>
                <td className="amount">
                  {isNothing(line.difference)
                    ? ''
                    : `${isBelowZero(line.difference) ? '' : '+'}${showDecimal(line.difference)}`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <table className="table-plain" aria-label="Sums before and now">
        <thead>
          <tr>
            <th />
            <th className="amount">Before</th>
            <th className="amount">Now</th>
          </tr>
        </thead>
        <tbody>
          {sums.map(({ name, before, after }) => (
            <tr key={name} className={before === after ? 'soft' : undefined}>
              <td>{name}</td>
              <td className="amount">{showDecimal(before)}</td>
              <td className="amount">{showDecimal(after)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {words.length > 0 && (
        <table className="table-plain" aria-label="What else the customer reads differently">
          <thead>
            <tr>
              <th>The customer reads</th>
              <th>Before</th>
              <th>Now</th>
            </tr>
          </thead>
          <tbody>
            {words.map(({ what, before, after }, i) => (
              <tr key={i}>
                <td>{what}</td>
                <td className="soft">{before ?? '–'}</td>
                <td>{after ?? '–'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}

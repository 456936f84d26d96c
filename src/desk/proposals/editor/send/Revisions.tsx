'use client';

import { Button, Modal } from 'antd';
import { useState } from 'react';
import type { ProposalAtDesk } from '@/services/proposals/read';
import type { DocumentChanges, LineState } from '@/core/offer';
import { isBelowZero, isNothing, showDecimal } from '@/core/number';
import type { Answer } from '@/model';
import { showInstant } from '@/ui/instants';
import { useSubmit } from '@/ui/useSubmit';
import '../change/change.css';
import { useEditorActions } from '../context';
import type { PlainColumn } from '@/ui/tables/PlainTable';
import { PlainTable } from '@/ui/tables/PlainTable';

export type Compare = (input: unknown) => Promise<Answer<DocumentChanges>>;

/** What a revision is known by; one whose seal does not fit was tampered with. */
const Seal = ({
  revision: { intact, sha256 },
  replaced,
}: {
  readonly revision: ProposalAtDesk['revisions'][number];
  readonly replaced: boolean;
}) =>
  intact ? (
    <span title="SHA-256 of the frozen document">
      {sha256.slice(0, 8)}…{replaced ? ' replaced' : ''}
    </span>
  ) : (
    <strong className="wrong" role="alert">
      was changed in the database: its seal does not fit
    </strong>
  );

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
  const { submit } = useSubmit({ tells: true });
  const [seen, setSeen] = useState<{ title: string; changes: DocumentChanges } | null>(null);
  const newest = proposal.revisions[0];
  const look = (from: number, to: number | null) =>
    submit(() => compare({ proposalId: proposal.id, from, to }), {
      then: (changes) =>
        setSeen({
          title: to === null ? `Since revision ${from}` : `From revision ${from} to revision ${to}`,
          changes,
        }),
      rereads: false,
    });
  // Always on offer while it can be changed: what is typed meanwhile is saved without a word.
  return (
    <>
      <PlainTable
        label="Revisions"
        headless
        rows={[
          ...(newest && proposal.state !== 'accepted' ? [{ now: true as const, of: newest }] : []),
          ...proposal.revisions.map((of) => ({ now: false as const, of })),
        ]}
        rowKey={({ now, of }) => (now ? 'now' : of.id)}
        columns={[
          {
            key: 'revision',
            title: 'Revision',
            className: 'nowrap',
            cell: ({ now, of }) => (now ? 'As it stands' : `Revision ${of.number}`),
          },
          {
            key: 'sent',
            title: 'Sent',
            cell: ({ now, of }) => (
              <span className="soft">{now ? 'now' : showInstant(of.sentAt, timeZone)}</span>
            ),
          },
          {
            key: 'seal',
            title: 'Seal',
            className: 'seal',
            cell: ({ now, of }) => !now && <Seal revision={of} replaced={of !== newest} />,
          },
          {
            key: 'act',
            title: '',
            cell: ({ now, of }) =>
              (now || of.number > 1) && (
                <Button
                  size="small"
                  type="link"
                  {...(now ? {} : { 'aria-label': `What changed with revision ${of.number}` })}
                  onClick={() => void (now ? look(of.number, null) : look(of.number - 1, of.number))}
                >
                  What changed
                </Button>
              ),
          },
        ]}
      />
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

const columns: readonly PlainColumn<DocumentChanges['lines'][number]>[] = [
  {
    key: 'line',
    title: 'Line',
    cell: ({ name, section }) => (
      <>
        {name} <span className="soft">{section}</span>
      </>
    ),
  },
  {
    key: 'before',
    title: 'Before',
    cell: ({ before }) => <span className="soft">{inShort(before) ?? 'new'}</span>,
  },
  { key: 'now', title: 'Now', cell: ({ after }) => inShort(after) ?? 'gone' },
  {
    key: 'cost',
    title: 'Cost',
    figure: true,
    cell: ({ before, after }) => (
      <span className="soft">
        {before && after && before.cost !== after.cost
          ? `${showDecimal(before.cost)} → ${showDecimal(after.cost)}`
          : showDecimal((after ?? before)!.cost)}
      </span>
    ),
  },
  {
    key: 'price',
    title: 'On the price',
    figure: true,
    cell: ({ difference }) =>
      isNothing(difference) ? '' : `${isBelowZero(difference) ? '' : '+'}${showDecimal(difference)}`,
  },
];

function ChangesTable({ changes }: { changes: DocumentChanges }) {
  const { seesCost } = useEditorActions();
  const { lines, sums, words } = changes;
  const moved = sums.filter(({ before, after }) => before !== after);
  if (lines.length + words.length + moved.length === 0) return <p>Nothing is different.</p>;
  return (
    <div className="compare" role="region" aria-label="What changed" tabIndex={0}>
      {lines.length > 0 && (
        <PlainTable
          label="Lines that changed"
          rows={lines.map((line, i) => ({ ...line, i }))}
          rowKey={({ i }) => i}
          rowClass={({ after }) => (after ? '' : 'gone')}
          columns={columns.filter(({ key }) => seesCost || key !== 'cost')}
        />
      )}
      <PlainTable
        label="Sums before and now"
        rows={sums}
        rowKey={({ name }) => name}
        rowClass={({ before, after }) => (before === after ? 'soft' : '')}
        columns={[
          { key: 'name', title: '', cell: ({ name }) => name },
          { key: 'before', title: 'Before', figure: true, cell: ({ before }) => showDecimal(before) },
          { key: 'now', title: 'Now', figure: true, cell: ({ after }) => showDecimal(after) },
        ]}
      />
      {words.length > 0 && (
        <PlainTable
          label="What else the customer reads differently"
          rows={words.map((word, i) => ({ ...word, i }))}
          rowKey={({ i }) => i}
          columns={[
            { key: 'what', title: 'The customer reads', cell: ({ what }) => what },
            {
              key: 'before',
              title: 'Before',
              cell: ({ before }) => <span className="soft">{before ?? '–'}</span>,
            },
            { key: 'now', title: 'Now', cell: ({ after }) => after ?? '–' },
          ]}
        />
      )}
    </div>
  );
}

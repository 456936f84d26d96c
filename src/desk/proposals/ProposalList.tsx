'use client';

import { Input, Segmented } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { ProposalRow } from '@/services/proposals/read';
import { showDecimal } from '@/core/number';
import { showDay } from '@/core/text/dates';
import { StateMark } from '@/ui/StateMark';

const groups = ['All', 'Draft', 'Sent', 'Accepted', 'Closed'] as const;
type Group = (typeof groups)[number];

const inGroup = (group: Group, state: string) =>
  group === 'All' ||
  (group === 'Closed' ? ['declined', 'lapsed', 'withdrawn'].includes(state) : group.toLowerCase() === state);

/** Proposals, narrowed by state and by words. */
export function ProposalList({ rows }: { rows: readonly ProposalRow[] }) {
  const [group, setGroup] = useState<Group>('All');
  const [words, setWords] = useState('');
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = rows.filter((row) => {
    const text = `${row.number} ${row.title} ${row.customer} ${row.site}`.toLowerCase();
    return inGroup(group, row.state) && wanted.every((word) => text.includes(word));
  });
  return (
    <>
      <div style={{ display: 'flex', gap: 12, marginBottom: 12 }}>
        <Segmented options={[...groups]} value={group} onChange={setGroup} />
        <Input
          placeholder="Find by title, customer, address"
          aria-label="Find a proposal"
          allowClear
          value={words}
          onChange={(event) => setWords(event.target.value)}
          style={{ maxWidth: 320 }}
        />
      </div>
      {shown.length === 0 ? (
        <p className="empty">
          {rows.length === 0
            ? 'No proposal yet. Start the first one.'
            : 'No proposal matches. Try fewer words.'}
        </p>
      ) : (
        <table className="table-plain">
          <thead>
            <tr>
              <th>No.</th>
              <th>Proposal</th>
              <th>Customer and site</th>
              <th>State</th>
              <th>Last change</th>
              <th className="amount">Total as suggested</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((row) => (
              <tr key={row.id} className="link-row">
                <td className="soft">{row.number}</td>
                <td>
                  <Link href={`/proposals/${row.id}`} prefetch={false}>
                    {row.title}
                  </Link>
                  <div className="soft">{row.seller}</div>
                </td>
                <td>
                  {row.customer}
                  <div className="soft">{row.site}</div>
                </td>
                <td>
                  <StateMark state={row.state} />
                  {row.state === 'sent' && (
                    <div className="soft">
                      {row.openedOn ? `opened ${showDay(row.openedOn)}` : 'not opened'}
                    </div>
                  )}
                </td>
                <td>{showDay(row.changedOn)}</td>
                <td className="amount">{showDecimal(row.total)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

'use client';

import { Input } from 'antd';
import Link from 'next/link';
import type { AgreementGroup, AgreementRow } from '@/services/agreements/list';
import { isNothing, showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import { Track } from '@/ui/Track';
import { useWordsInAddress } from '../../ui/useWordsInAddress';

const groups = [
  ['all', 'All'],
  ['under way', 'Under way'],
  ['finished', 'Finished'],
] as const;

const amount = (text: string) => (isNothing(text) ? '' : showDecimal(text));

function addressOf({
  search,
  show,
  before,
}: {
  search: string;
  show: AgreementGroup;
  before?: number | undefined;
}) {
  const query = new URLSearchParams();
  if (show !== 'all') query.set('show', show);
  if (search) query.set('search', search);
  if (before !== undefined) query.set('before', String(before));
  return query.size === 0 ? '/agreements' : `/agreements?${query.toString()}`;
}

/** Agreements, narrowed by how far they are and by words; older ones on further pages. */
export function AgreementList({
  rows,
  more,
  search,
  show,
  before,
}: {
  rows: readonly AgreementRow[];
  more: boolean;
  search: string;
  show: AgreementGroup;
  before: number | null;
}) {
  const [words, setWords] = useWordsInAddress(search, (typed) => addressOf({ search: typed, show }));
  const everything = show === 'all' && search === '' && before === null;
  return (
    <>
      <div className="list-head">
        <nav className="tab-links" aria-label="Which agreements">
          {groups.map(([group, name]) => (
            <Link
              key={group}
              href={addressOf({ search: words, show: group })}
              prefetch={false}
              {...(group === show ? { 'aria-current': 'page' as const } : {})}
            >
              {name}
            </Link>
          ))}
        </nav>
        <Input
          placeholder="Find by title, customer, address, number"
          aria-label="Find an agreement"
          allowClear
          value={words}
          onChange={(event) => setWords(event.target.value)}
          style={{ maxWidth: 340 }}
        />
        <span className="soft list-note">hatched: billed · solid: paid</span>
      </div>
      {rows.length === 0 ? (
        <p className="empty">
          {everything
            ? 'Nothing is agreed yet. An accepted proposal appears here.'
            : search
              ? `No agreement here fits “${search}”.`
              : show === 'finished'
                ? 'None is billed, paid and settled to the end yet.'
                : 'None is under way.'}
        </p>
      ) : (
        <table className="table-plain">
          <thead>
            <tr>
              <th>No.</th>
              <th>Agreement</th>
              <th style={{ width: '28%' }}>Track</th>
              <th className="amount">Sum to date</th>
              <th className="amount">Billed</th>
              <th className="amount">Paid</th>
              <th className="amount">To bill</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.id} className="link-row">
                <td className="soft">{row.number}</td>
                <td>
                  <Link href={`/agreements/${row.id}`} prefetch={false}>
                    {row.title}
                  </Link>
                  <div className="soft">
                    {row.customer} · signed {showDate(row.signedOn)}
                  </div>
                </td>
                <td style={{ verticalAlign: 'middle' }}>
                  <Track parts={row.track} />
                </td>
                <td className="amount">{showDecimal(row.standing.sumToDate)}</td>
                <td className="amount">{amount(row.standing.billed)}</td>
                <td className="amount">{amount(row.standing.paid)}</td>
                <td className="amount">{amount(row.standing.leftToBill)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {(more || before !== null) && (
        <p className="list-foot">
          {before !== null && (
            <Link href={addressOf({ search, show })} prefetch={false}>
              Newest
            </Link>
          )}
          {more && (
            <Link href={addressOf({ search, show, before: rows.at(-1)!.number })} prefetch={false}>
              Older
            </Link>
          )}
        </p>
      )}
    </>
  );
}

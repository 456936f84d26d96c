import type { Metadata } from 'next';
import Link from 'next/link';
import { listAgreements } from '@/acts/agreements/read';
import { isNothing, showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import { LinkButton } from '@/ui/LinkButton';
import { Track } from '@/ui/Track';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Agreements' };

export default async function AgreementsPage() {
  const agreements = await listAgreements(await pageActor());
  return (
    <div className="page">
      <header className="page-head">
        <h1>Agreements</h1>
        <span className="soft">hatched: billed · solid: paid</span>
        <span className="page-actions">
          <LinkButton href="/agreements/back">Looking back</LinkButton>
        </span>
      </header>
      {agreements.length === 0 ? (
        <p className="empty">Nothing is agreed yet. An accepted proposal appears here.</p>
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
            {agreements.map((row) => (
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
                <td className="amount">
                  {isNothing(row.standing.billed) ? '' : showDecimal(row.standing.billed)}
                </td>
                <td className="amount">
                  {isNothing(row.standing.paid) ? '' : showDecimal(row.standing.paid)}
                </td>
                <td className="amount">
                  {isNothing(row.standing.leftToBill) ? '' : showDecimal(row.standing.leftToBill)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}

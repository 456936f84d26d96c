import Link from 'next/link';
import { showDecimal } from '@/core/number';

interface Row {
  readonly id: string;
  readonly number: number;
  readonly title: string;
  readonly customer: string;
  readonly sum: string;
}

/** What a sum is made of, agreement by agreement, the largest first. */
export const OfAgreements = ({
  title,
  rows,
  count,
  act,
}: {
  title: string;
  rows: readonly Row[];
  /** How many there are, shown or not. */
  count: number;
  act?: { readonly name: string; readonly query: string };
}) => (
  <>
    <table className="table-plain" aria-label={title}>
      <thead>
        <tr>
          <th>No.</th>
          <th>Agreement</th>
          <th>Customer</th>
          <th className="amount">{title}</th>
          {act && <th />}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.id} className="link-row">
            <td>{row.number}</td>
            <td>
              <Link href={`/agreements/${row.id}`} prefetch={false}>
                {row.title}
              </Link>
            </td>
            <td>{row.customer}</td>
            <td className="amount">{showDecimal(row.sum)}</td>
            {act && (
              <td className="amount">
                <Link href={`/agreements/${row.id}/bill?${act.query}`} prefetch={false}>
                  {act.name}
                </Link>
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
    {count > rows.length && (
      <p className="soft">
        The largest {rows.length} of {count} are shown; the sum above is of all.
      </p>
    )}
  </>
);

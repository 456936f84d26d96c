import Link from 'next/link';

const inWords: Readonly<Record<number, string>> = {
  90: 'sent in the last 90 days',
  365: 'in the last year',
  1095: 'in the last three years',
};

const current = (on: boolean) => (on ? { 'aria-current': 'page' as const } : {});

/** What is looked back on, and, beside it, how far. */
export function ReportTabs({
  show,
  mayTax,
  seesCost,
  reports,
  children,
}: {
  /** `agreements`, `proposals`, `tax`, or a report on money by its id. */
  show: string;
  /** May this person see sales tax? */
  mayTax: boolean;
  /** Does this person see what jobs cost us? */
  seesCost: boolean;
  /** The reports on money this person is offered. */
  reports: readonly { readonly id: string; readonly title: string }[];
  children?: React.ReactNode;
}) {
  return (
    <nav className="tab-links report-tabs" aria-label="What is looked back on">
      {seesCost && (
        <Link href="/reports" prefetch={false} {...current(show === 'agreements')}>
          Agreements
        </Link>
      )}
      <Link href="/reports?show=proposals" prefetch={false} {...current(show === 'proposals')}>
        Proposals
      </Link>
      {reports.map(({ id, title }) => (
        <Link key={id} href={`/reports/${id}`} prefetch={false} {...current(show === id)}>
          {title}
        </Link>
      ))}
      {mayTax && (
        <Link href="/reports?show=tax" prefetch={false} {...current(show === 'tax')}>
          Sales tax
        </Link>
      )}
      {children && <span className="report-ranges">{children}</span>}
    </nav>
  );
}

/** How long ago proposals were sent. */
export const ProposalRanges = ({ days, ranges }: { days: number; ranges: readonly number[] }) =>
  ranges.map((each) => (
    <Link
      key={each}
      href={`/reports?show=proposals&days=${each}`}
      prefetch={false}
      {...current(each === days)}
    >
      {inWords[each]}
    </Link>
  ));

/** When agreements were signed; nothing where there is one year only. */
export const SignedIn = ({ years, year }: { years: readonly number[]; year: number | 'all' }) =>
  years.length > 1 && (
    <>
      <span className="soft">signed in</span>
      {years.map((each) => (
        <Link key={each} href={`/reports?year=${each}`} prefetch={false} {...current(each === year)}>
          {each}
        </Link>
      ))}
      <Link href="/reports?year=all" prefetch={false} {...current(year === 'all')}>
        all years
      </Link>
    </>
  );

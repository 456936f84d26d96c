import Link from 'next/link';

const inWords: Readonly<Record<number, string>> = {
  90: 'sent in the last 90 days',
  365: 'in the last year',
  1095: 'in the last three years',
};

/** What is looked back on, and how far. */
export function BackTabs({
  show,
  days,
  ranges,
}: {
  show: 'agreements' | 'proposals';
  days: number;
  ranges: readonly number[];
}) {
  const current = (on: boolean) => (on ? { 'aria-current': 'page' as const } : {});
  return (
    <nav className="back-tabs" aria-label="What is looked back on">
      <Link href="/agreements/back" prefetch={false} {...current(show === 'agreements')}>
        Agreements
      </Link>
      <Link href="/agreements/back?show=proposals" prefetch={false} {...current(show === 'proposals')}>
        Proposals
      </Link>
      {show === 'proposals' && (
        <span className="back-ranges">
          {ranges.map((each) => (
            <Link
              key={each}
              href={`/agreements/back?show=proposals&days=${each}`}
              prefetch={false}
              {...current(each === days)}
            >
              {inWords[each]}
            </Link>
          ))}
        </span>
      )}
    </nav>
  );
}

import Link from 'next/link';

const lists = [
  { key: 'invoices', title: 'Invoices', address: '/money' },
  { key: 'payments', title: 'Payments', address: '/money/payments' },
  { key: 'costs', title: 'Costs', address: '/money/costs' },
] as const;

/** The lists of money: what is billed, what came in, what the jobs cost. */
export const MoneyTabs = ({ here }: { readonly here?: (typeof lists)[number]['key'] }) => (
  <nav className="tab-links money-tabs" aria-label="Invoices, payments or costs">
    {lists.map(({ key, title, address }) => (
      <Link key={key} href={address} prefetch={false} {...(key === here ? { 'aria-current': 'page' } : {})}>
        {title}
      </Link>
    ))}
  </nav>
);

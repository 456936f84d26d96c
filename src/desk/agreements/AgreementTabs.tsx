import Link from 'next/link';

const lists = [
  { key: 'agreements', title: 'Agreements', address: '/agreements' },
  { key: 'stages', title: 'Stages', address: '/agreements/stages' },
] as const;

/** The lists of agreed work: the agreements, and the stages of all of them. */
export const AgreementTabs = ({ here }: { readonly here: (typeof lists)[number]['key'] }) => (
  <nav className="tab-links" aria-label="Agreements or their stages">
    {lists.map(({ key, title, address }) => (
      <Link key={key} href={address} prefetch={false} {...(key === here ? { 'aria-current': 'page' } : {})}>
        {title}
      </Link>
    ))}
  </nav>
);

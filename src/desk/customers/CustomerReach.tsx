import { Button } from 'antd';
import type { readCustomer } from '@/services/customers/customers';
import './people.css';
import type { Site } from './SiteForm';

type Found = Awaited<ReturnType<typeof readCustomer>>;

/** How somebody is reached, each on its line. */
function Ways({ phone, email }: { readonly phone: string; readonly email: string }) {
  return (
    <>
      {phone && (
        <a className="block" href={`tel:${phone.replace(/[^+\d]/g, '')}`}>
          {phone}
        </a>
      )}
      {email && (
        <a className="block" href={`mailto:${email}`}>
          {email}
        </a>
      )}
    </>
  );
}

/** Where the customer's sites are, where invoices go, and how they are reached. */
export function CustomerReach({
  customer: { billing, contactName, phone, email, people = [] },
  sites,
  change,
}: Pick<Found, 'customer' | 'sites'> & { readonly change: (site: Site | 'new') => void }) {
  return (
    <div className="panel">
      <h2>Sites</h2>
      {sites.map((site) => (
        <p key={site.id} className="above-least">
          {site.line}{' '}
          <Button size="small" type="link" onClick={() => change(site)}>
            change
          </Button>
          {site.internalNote && <span className="note-ours block">{site.internalNote}</span>}
        </p>
      ))}
      <Button size="small" onClick={() => change('new')}>
        Add a site
      </Button>
      <h2 className="above-more">Billing address</h2>
      <p className="no-space">
        {billing.street}
        <br />
        {[billing.city, [billing.region, billing.postcode].filter(Boolean).join(' ')]
          .filter(Boolean)
          .join(', ')}
      </p>
      <h2 className="above-more">Reach them</h2>
      <p className="no-space">
        {contactName}
        <Ways phone={phone} email={email} />
      </p>
      {people.map(({ id, name, role, getsOffers, getsInvoices, ...ways }) => (
        <p key={id} className="no-space person-of">
          {name}
          {role && <span className="soft"> · {role}</span>}
          <Ways {...ways} />
          {(getsOffers || getsInvoices) && (
            <span className="soft block">
              gets {[getsOffers && 'proposals', getsInvoices && 'invoices'].filter(Boolean).join(' and ')}
            </span>
          )}
        </p>
      ))}
    </div>
  );
}

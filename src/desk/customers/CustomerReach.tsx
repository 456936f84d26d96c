import { Button } from 'antd';
import type { readCustomer } from '@/services/customers/customers';
import type { Site } from './SiteForm';

type Found = Awaited<ReturnType<typeof readCustomer>>;

/** Where the customer's sites are, where invoices go, and how they are reached. */
export function CustomerReach({
  customer: { billing, contactName, phone, email },
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
        {billing.city}, {billing.region} {billing.postcode}
      </p>
      <h2 className="above-more">Reach them</h2>
      <p className="no-space">
        {contactName}
        <br />
        {phone && <a href={`tel:${phone.replace(/[^+\d]/g, '')}`}>{phone}</a>}
        <br />
        {email && <a href={`mailto:${email}`}>{email}</a>}
      </p>
    </div>
  );
}

'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { readCustomer } from '@/services/customers/customers';
import { isNothing, showDecimal } from '@/core/number';
import type { RecordPaymentOver } from '../payments/PaymentOverDialog';
import { PaymentOverDialog } from '../payments/PaymentOverDialog';
import { LinkButton } from '@/ui/LinkButton';
import type { SaveCustomer } from './CustomerForm';
import { CustomerForm } from './CustomerForm';
import type { ForgetCustomer } from './ForgetDialog';
import { ForgetDialog } from './ForgetDialog';
import { CustomerReach } from './CustomerReach';
import { CustomerAgreements, CustomerProposals } from './CustomerWork';
import type { SaveSite, Site } from './SiteForm';
import { SiteForm } from './SiteForm';
import { HistoryOf } from '@/desk/history/HistoryOf';
import { May } from '@/ui/may/May';

/** One customer: addresses, notes for us, and what we did and offered so far. */
export function CustomerPage({
  found,
  save,
  saveSite,
  record,
  forget,
}: {
  readonly found: Awaited<ReturnType<typeof readCustomer>>;
  readonly save: SaveCustomer;
  readonly saveSite: SaveSite;
  /** Records one sum for several agreements; null: this person may not. */
  readonly record: RecordPaymentOver | null;
  readonly forget: ForgetCustomer;
}) {
  const { customer, sites, proposals, agreements, owed, forgotten } = found;
  const router = useRouter();
  const [editing, setEditing] = useState(false);
  const [paying, setPaying] = useState(false);
  const [forgetting, setForgetting] = useState(false);
  const [site, setSite] = useState<Site | 'new' | null>(null);
  const { id, ...values } = customer;
  return (
    <div className="page">
      <header className="page-head">
        <h1>{customer.name}</h1>
        <span className="page-actions">
          <HistoryOf id={id} />
          {agreements.length > 0 && (
            <LinkButton download href={`/api/v1/customers/${id}/account.pdf`}>
              Statement of account
            </LinkButton>
          )}
          {record && agreements.length > 0 && <Button onClick={() => setPaying(true)}>Record payment</Button>}
          {!forgotten && (
            <May any={['propose', 'issue', 'money']}>
              <Button onClick={() => setEditing(true)}>Change</Button>
            </May>
          )}
          {!forgotten && (
            <May any={['propose']}>
              <LinkButton primary href={`/proposals/new?customer=${id}`}>
                New proposal
              </LinkButton>
            </May>
          )}
        </span>
      </header>
      {forgotten && (
        <p className="soft">
          What was known of them as a person was removed. What they signed and their invoices are kept.
        </p>
      )}
      {!isNothing(owed.open) && (
        <p>
          Owes {showDecimal(owed.open)} {owed.currency}
          {!isNothing(owed.late) && <span className="wrong">, {showDecimal(owed.late)} of it late</span>}.
        </p>
      )}
      {customer.taxExempt && <p className="soft">Pays no tax: {customer.taxExempt}</p>}
      {customer.internalNote && <p className="note-ours">{customer.internalNote}</p>}
      <div className="columns-2">
        <div>
          <h2>Proposals</h2>
          <CustomerProposals proposals={proposals} />
          <CustomerAgreements agreements={agreements} />
        </div>
        <aside>
          <CustomerReach customer={customer} sites={sites} change={setSite} />
          {!forgotten && (
            <May any={['settings']}>
              <Button size="small" type="link" className="forget" onClick={() => setForgetting(true)}>
                Remove their data …
              </Button>
            </May>
          )}
        </aside>
      </div>
      {forgetting && (
        <ForgetDialog id={id} name={customer.name} forget={forget} close={() => setForgetting(false)} />
      )}
      {editing && (
        <CustomerForm
          id={id}
          values={values}
          save={save}
          close={() => setEditing(false)}
          done={() => {
            setEditing(false);
            router.refresh();
          }}
        />
      )}
      {record && paying && <PaymentOverDialog found={found} record={record} close={() => setPaying(false)} />}
      {site && (
        <SiteForm
          customerId={id}
          site={site === 'new' ? null : site}
          save={saveSite}
          close={() => setSite(null)}
        />
      )}
    </div>
  );
}

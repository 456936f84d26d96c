'use client';

import { Button } from 'antd';
import Link from 'next/link';
import { useRouter, useSearchParams } from 'next/navigation';
import { useState } from 'react';
import type { CustomerListRow } from '@/services/customers/customerList';
import type { ListProps } from '@/ui/list/ListTable';
import { ListTable } from '@/ui/list/ListTable';
import type { SaveCustomer } from './CustomerForm';
import { CustomerForm } from './CustomerForm';
import type { SendStatements } from './StatementsDialog';
import { StatementsDialog } from './StatementsDialog';

/** Find a customer in seconds, or add one. */
export function CustomerList({
  save,
  sendStatements,
  today,
  ...props
}: ListProps<CustomerListRow> & {
  readonly save: SaveCustomer;
  /** Null: this person sends no statements. */
  readonly sendStatements: SendStatements | null;
  readonly today: string;
}) {
  const router = useRouter();
  const asked = useSearchParams().has('new');
  const [adding, setAdding] = useState(false);
  const [stating, setStating] = useState<readonly CustomerListRow[] | null>(null);
  const close = () => {
    setAdding(false);
    if (asked) router.replace('/customers');
  };
  const add = (
    <Button type="primary" onClick={() => setAdding(true)}>
      New customer
    </Button>
  );
  return (
    <div className="page">
      <header className="page-head">
        <h1>Customers</h1>
        <span className="page-actions">{add}</span>
      </header>
      <ListTable
        {...props}
        path="/customers"
        find="Find by name, contact, email, phone, address"
        none={
          <>
            <p>No customer yet. Add the first one.</p>
            {add}
          </>
        }
        acts={(rows) => sendStatements && <Button onClick={() => setStating(rows)}>Send statements …</Button>}
        render={{
          name: (row) => (
            <Link href={`/customers/${row.id}`} prefetch={false}>
              {row.name}
            </Link>
          ),
          contact: (row) => (row.contact === row.name ? '' : row.contact),
          sites: (row) => row.sites.map((line) => <div key={line}>{line}</div>),
          phone: (row) => row.phone && <a href={`tel:${row.phone.replace(/[^+\d]/g, '')}`}>{row.phone}</a>,
          email: (row) => row.email && <a href={`mailto:${row.email}`}>{row.email}</a>,
          proposals: (row) => row.proposals || '',
          agreements: (row) => row.agreements || '',
        }}
      />
      {stating && sendStatements && (
        <StatementsDialog
          customers={stating}
          today={today}
          send={sendStatements}
          close={() => setStating(null)}
        />
      )}
      {(adding || asked) && (
        <CustomerForm save={save} close={close} done={({ id }) => router.push(`/customers/${id}`)} />
      )}
    </div>
  );
}

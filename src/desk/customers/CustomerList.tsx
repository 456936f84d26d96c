'use client';

import { Button, Input } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { CustomerRow } from '@/services/customers/customers';
import { useWordsInAddress } from '../../ui/useWordsInAddress';
import type { SaveCustomer } from './CustomerForm';
import { CustomerForm } from './CustomerForm';

/** Find a customer in seconds, or add one. */
export function CustomerList({
  rows,
  search,
  save,
}: {
  rows: readonly CustomerRow[];
  search: string;
  save: SaveCustomer;
}) {
  const router = useRouter();
  const [words, setWords] = useWordsInAddress(search, (typed) =>
    typed ? `/customers?search=${encodeURIComponent(typed)}` : '/customers',
  );
  const [adding, setAdding] = useState(false);

  return (
    <div className="page">
      <header className="page-head">
        <h1>Customers</h1>
        <span className="page-actions">
          <Button type="primary" onClick={() => setAdding(true)}>
            New customer
          </Button>
        </span>
      </header>
      <Input
        placeholder="Find by name, contact, mail or address"
        aria-label="Find a customer"
        allowClear
        autoFocus
        value={words}
        onChange={(event) => setWords(event.target.value)}
        style={{ maxWidth: 360, marginBottom: 12 }}
      />
      {rows.length === 0 ? (
        <p className="empty">{search ? `Nobody fits “${search}”.` : 'No customer yet. Add the first one.'}</p>
      ) : (
        <table className="table-plain">
          <thead>
            <tr>
              <th>Customer</th>
              <th>Sites</th>
              <th>Reach them</th>
              <th className="amount">Proposals</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.id} className="link-row">
                <td>
                  <Link href={`/customers/${row.id}`} prefetch={false}>
                    {row.name}
                  </Link>
                  {row.contactName && row.contactName !== row.name && (
                    <div className="soft">{row.contactName}</div>
                  )}
                </td>
                <td>
                  {row.sites.map(({ id, line }) => (
                    <div key={id}>{line}</div>
                  ))}
                </td>
                <td>
                  {row.phone}
                  <div className="soft">{row.email}</div>
                </td>
                <td className="amount">{row.proposals || ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {adding && (
        <CustomerForm
          save={save}
          close={() => setAdding(false)}
          done={({ id }) => router.push(`/customers/${id}`)}
        />
      )}
    </div>
  );
}

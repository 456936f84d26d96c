import type { Metadata } from 'next';
import { listCustomers } from '@/services/customers/customers';
import { CustomerList } from '@/desk/customers/CustomerList';
import { saveCustomerAction } from '../../actions';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Customers' };

export default async function CustomersPage({
  searchParams,
}: {
  searchParams: Promise<{ search?: string }>;
}) {
  const search = String((await searchParams).search ?? '').slice(0, 200);
  return (
    <CustomerList
      rows={await listCustomers(await pageActor(), search)}
      search={search}
      save={saveCustomerAction}
    />
  );
}

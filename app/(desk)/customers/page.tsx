import type { Metadata } from 'next';
import type { AddressParameters } from '@/core/lists';
import { customerList } from '@/services/customers/customerList';
import { readList } from '@/services/lists/deskList';
import { CustomerList } from '@/desk/customers/CustomerList';
import { saveCustomerAction, saveListPreferencesAction } from '../../actions';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Customers' };

export default async function CustomersPage({ searchParams }: { searchParams: Promise<AddressParameters> }) {
  return (
    <CustomerList
      list={await readList(await pageActor(), customerList, await searchParams)}
      savePreferences={saveListPreferencesAction}
      save={saveCustomerAction}
    />
  );
}

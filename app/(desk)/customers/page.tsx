import type { Metadata } from 'next';
import type { AddressParameters } from '@/core/lists';
import { may } from '@/services/actor';
import { customerList } from '@/services/customers/customerList';
import { readList } from '@/services/lists/deskList';
import { CustomerList } from '@/desk/customers/CustomerList';
import { saveCustomerAction, saveListPreferencesAction, sendStatementsAction } from '../../actions';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Customers' };

export default async function CustomersPage({ searchParams }: { searchParams: Promise<AddressParameters> }) {
  const actor = await pageActor('prices');
  const list = await readList(actor, customerList, await searchParams);
  return (
    <CustomerList
      list={list}
      today={list.today}
      sendStatements={may(actor, 'money') ? sendStatementsAction : null}
      savePreferences={saveListPreferencesAction}
      save={saveCustomerAction}
    />
  );
}

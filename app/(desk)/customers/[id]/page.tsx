import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { may } from '@/services/actor';
import { readCustomer } from '@/services/customers/customers';
import { Problem } from '@/services/problem';
import { CustomerPage } from '@/desk/customers/CustomerPage';
import { recordPaymentOverAction, saveCustomerAction, saveSiteAction } from '../../../actions';
import { isId } from '@/model';
import { forgetCustomerAction } from '../../../settingsActions';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'Customer' };

export default async function CustomerRoute({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const actor = await pageActor('prices');
  if (!isId(id)) notFound();
  const found = await readCustomer(actor, id).catch((error: unknown) => {
    if (error instanceof Problem) notFound();
    throw error;
  });
  return (
    <CustomerPage
      found={found}
      save={saveCustomerAction}
      saveSite={saveSiteAction}
      forget={forgetCustomerAction}
      record={may(actor, 'money') ? recordPaymentOverAction : null}
    />
  );
}

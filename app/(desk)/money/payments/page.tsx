import type { Metadata } from 'next';
import type { AddressParameters } from '@/core/lists';
import { loadMoneySums } from '@/services/billing/moneySums';
import { readList } from '@/services/lists/deskList';
import { paymentList } from '@/services/payments/paymentList';
import { MoneyFigures } from '@/desk/billing/MoneyFigures';
import { PaymentList } from '@/desk/payments/PaymentList';
import { MoneyTabs } from '@/desk/billing/MoneyTabs';
import '@/desk/billing/billing.css';
import { saveListPreferencesAction } from '../../../actions';
import { pageActor } from '../../../session';
import { moneyFigures } from '../figures';

export const metadata: Metadata = { title: 'Payments' };

export default async function PaymentsPage({ searchParams }: { searchParams: Promise<AddressParameters> }) {
  const actor = await pageActor('prices');
  const sums = await loadMoneySums(actor);
  const list = await readList(actor, paymentList, await searchParams);
  const thisMonth = list.state.filters.day?.[0] === `${sums.month}..`;
  return (
    <div className="page page-wide">
      <header className="page-head">
        <h1>Money</h1>
      </header>
      <MoneyFigures figures={moneyFigures(sums, thisMonth ? 'received' : 'payments')} />
      <MoneyTabs here="payments" />
      <PaymentList list={list} savePreferences={saveListPreferencesAction} />
    </div>
  );
}

import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import type { AddressParameters } from '@/core/lists';
import { isNothing } from '@/core/number';
import { may } from '@/services/actor';
import { invoiceList } from '@/services/billing/invoiceList';
import { readBillsDue } from '@/services/billing/billsDue';
import { loadMoneySums } from '@/services/billing/moneySums';
import { listReminders } from '@/services/billing/reminders';
import { readList } from '@/services/lists/deskList';
import { AgeChart } from '@/desk/billing/AgeChart';
import { BillsDue } from '@/desk/billing/BillsDue';
import { InvoiceList } from '@/desk/billing/InvoiceList';
import { MoneyFigures } from '@/desk/billing/MoneyFigures';
import { OfAgreements } from '@/desk/billing/OfAgreements';
import { Reminders } from '@/desk/billing/Reminders';
import { MoneyTabs } from '@/desk/billing/MoneyTabs';
import '@/desk/billing/billing.css';
import { LinkButton } from '@/ui/LinkButton';
import { saveListPreferencesAction } from '../../actions';
import { issueManyAction, sendRemindersAction } from '../../moneyActions';
import { pageActor } from '../../session';
import type { MoneyPlace } from './figures';
import { moneyFigures } from './figures';

export const metadata: Metadata = { title: 'Money' };

const byAgreement = {
  'to-bill': { empty: '', act: undefined },
  held: { empty: 'No retainage is held.', act: { name: 'Release', query: 'release' } },
  credit: { empty: 'No customer has money with us that is on no invoice.', act: undefined },
} as const;

/** Where addresses of before lead, that stand in bookmarks and letters. */
const moved: Readonly<Record<string, string>> = {
  out: '/money?state=outstanding&sort=due',
  overdue: '/money?state=overdue&sort=due',
  received: '/money/payments',
};

export default async function MoneyPage({ searchParams }: { searchParams: Promise<AddressParameters> }) {
  const query = await searchParams;
  const show = String(query.show ?? '');
  if (Object.hasOwn(moved, show)) redirect(moved[show]!);
  const actor = await pageActor('prices');
  const group = Object.hasOwn(byAgreement, show) ? (show as keyof typeof byAgreement) : null;
  const sums = await loadMoneySums(actor, group);
  const invoices = group === null ? await readList(actor, invoiceList, query) : null;
  const [state, ...more] = invoices?.state.filters.state ?? [];
  const place: MoneyPlace =
    group ?? (more.length === 0 && (state === 'outstanding' || state === 'overdue') ? state : 'invoices');
  const reminders = place === 'invoices' || place === 'overdue' ? await listReminders(actor) : null;
  const figures = moneyFigures(sums, place);
  return (
    <div className="page page-wide">
      <header className="page-head">
        <h1>Money</h1>
        <span className="page-actions">
          {may(actor, 'money') && <LinkButton href="/money/accountant">For the accountant</LinkButton>}
        </span>
      </header>
      <MoneyFigures figures={figures} />
      {group === null && !isNothing(sums.out) && <AgeChart byAge={sums.byAge} />}
      {reminders !== null && reminders.found.length > 0 && (
        <Reminders
          due={reminders.found}
          more={reminders.more}
          maySend={may(actor, 'money')}
          send={sendRemindersAction}
        />
      )}
      <MoneyTabs {...(group === null ? { here: 'invoices' as const } : {})} />
      {group === 'to-bill' && (
        <BillsDue
          title={figures.find(({ here }) => here)!.name}
          {...await readBillsDue(actor)}
          issue={issueManyAction}
        />
      )}
      {group !== null &&
        group !== 'to-bill' &&
        (sums.agreements.length === 0 ? (
          <p className="empty">{byAgreement[group].empty}</p>
        ) : (
          <OfAgreements
            title={figures.find(({ here }) => here)!.name}
            rows={sums.agreements}
            count={sums.agreementCount}
            {...(byAgreement[group].act ? { act: byAgreement[group].act } : {})}
          />
        ))}
      {invoices && (
        <InvoiceList
          list={invoices}
          savePreferences={saveListPreferencesAction}
          remind={may(actor, 'money') ? sendRemindersAction : null}
        />
      )}
    </div>
  );
}

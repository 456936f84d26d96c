import type { Metadata } from 'next';
import { readAgreementsBack, readSalesBack } from '@/acts/insight/back';
import { AgreementsBackView } from '@/desk/back/AgreementsBackView';
import { BackTabs } from '@/desk/back/BackTabs';
import { SalesBackView } from '@/desk/back/SalesBackView';
import '@/desk/back/back.css';
import '@/desk/job/job.css';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'Looking back' };

const ranges = [90, 365, 1095] as const;

export default async function BackPage({
  searchParams,
}: {
  searchParams: Promise<{ show?: string; days?: string }>;
}) {
  const { show, days } = await searchParams;
  const actor = await pageActor();
  const range = ranges.find((each) => String(each) === days) ?? 365;
  return (
    <div className="page">
      <header className="page-head">
        <h1>Looking back</h1>
      </header>
      <BackTabs show={show === 'proposals' ? 'proposals' : 'agreements'} days={range} ranges={ranges} />
      {show === 'proposals' ? (
        <SalesBackView back={await readSalesBack(actor, range)} />
      ) : (
        <AgreementsBackView back={await readAgreementsBack(actor)} />
      )}
    </div>
  );
}

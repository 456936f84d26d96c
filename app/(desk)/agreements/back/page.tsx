import type { Metadata } from 'next';
import { readAgreementsBack } from '@/services/reports/agreementsBack';
import { yearOf } from '@/services/reports/backList';
import { readSalesBack } from '@/services/reports/salesBack';
import { AgreementsBackView } from '@/desk/reports/AgreementsBackView';
import { BackTabs, ProposalRanges, SignedIn } from '@/desk/reports/BackTabs';
import { SalesBackView } from '@/desk/reports/SalesBackView';
import '@/desk/reports/back.css';
import '@/desk/jobCosting/job.css';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'Reports' };

const ranges = [90, 365, 1095] as const;

export default async function BackPage({
  searchParams,
}: {
  searchParams: Promise<{ show?: string; days?: string; year?: string }>;
}) {
  const query = await searchParams;
  const actor = await pageActor();
  return (
    <div className="page">
      <header className="page-head">
        <h1>Reports</h1>
      </header>
      {query.show === 'proposals' ? (
        <Proposals actor={actor} days={ranges.find((each) => String(each) === query.days) ?? 365} />
      ) : (
        <Agreements actor={actor} year={yearOf(query.year)} />
      )}
    </div>
  );
}

type Looker = Awaited<ReturnType<typeof pageActor>>;

async function Proposals({ actor, days }: { actor: Looker; days: number }) {
  return (
    <>
      <BackTabs show="proposals">
        <ProposalRanges days={days} ranges={ranges} />
      </BackTabs>
      <SalesBackView back={await readSalesBack(actor, days)} />
    </>
  );
}

async function Agreements({ actor, year }: { actor: Looker; year: ReturnType<typeof yearOf> }) {
  const back = await readAgreementsBack(actor, year);
  return (
    <>
      <BackTabs show="agreements">
        <SignedIn years={back.years} year={back.year} />
      </BackTabs>
      <AgreementsBackView back={back} />
    </>
  );
}

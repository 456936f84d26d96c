import type { Metadata } from 'next';
import { offeredReports } from '@/services/reports/moneyReport';
import { readAgreementsReport } from '@/services/reports/agreementsReport';
import { yearOf } from '@/services/reports/reportList';
import { readSalesReport } from '@/services/reports/salesReport';
import { AgreementsReportView } from '@/desk/reports/AgreementsReport';
import { ReportTabs, ProposalRanges, SignedIn } from '@/desk/reports/ReportTabs';
import { SalesReportView } from '@/desk/reports/SalesReport';
import { TaxPeriods, TaxReportView } from '@/desk/reports/TaxReport';
import { may } from '@/services/actor';
import { readTaxReport } from '@/services/reports/taxReport';
import '@/desk/reports/reports.css';
import '@/desk/jobCosting/jobCosting.css';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Reports' };

const ranges = [90, 365, 1095] as const;

export default async function BackPage({
  searchParams,
}: {
  searchParams: Promise<{ show?: string; days?: string; year?: string; from?: unknown; to?: unknown }>;
}) {
  const query = await searchParams;
  const actor = await pageActor('prices');
  const mayTax = maySeeTax(actor);
  return (
    <div className="page">
      <header className="page-head">
        <h1>Reports</h1>
      </header>
      {query.show === 'tax' && mayTax ? (
        <Tax actor={actor} from={query.from} to={query.to} />
      ) : query.show === 'proposals' || !may(actor, 'cost') ? (
        <Proposals actor={actor} days={ranges.find((each) => String(each) === query.days) ?? 365} />
      ) : (
        <Agreements actor={actor} year={yearOf(query.year)} />
      )}
    </div>
  );
}

type Looker = Awaited<ReturnType<typeof pageActor>>;

const maySeeTax = (actor: Looker) => may(actor, 'money');

async function Tax({ actor, from, to }: { actor: Looker; from: unknown; to: unknown }) {
  const report = await readTaxReport(actor, { from, to });
  return (
    <>
      <ReportTabs show="tax" mayTax seesCost={may(actor, 'cost')} reports={await offeredReports(actor)}>
        <TaxPeriods period={report.period} today={report.today} />
      </ReportTabs>
      <TaxReportView report={report} />
    </>
  );
}

async function Proposals({ actor, days }: { actor: Looker; days: number }) {
  return (
    <>
      <ReportTabs
        show="proposals"
        mayTax={maySeeTax(actor)}
        seesCost={may(actor, 'cost')}
        reports={await offeredReports(actor)}
      >
        <ProposalRanges days={days} ranges={ranges} />
      </ReportTabs>
      <SalesReportView back={await readSalesReport(actor, days)} />
    </>
  );
}

async function Agreements({ actor, year }: { actor: Looker; year: ReturnType<typeof yearOf> }) {
  const back = await readAgreementsReport(actor, year);
  return (
    <>
      <ReportTabs
        show="agreements"
        mayTax={maySeeTax(actor)}
        seesCost={may(actor, 'cost')}
        reports={await offeredReports(actor)}
      >
        <SignedIn years={back.years} year={back.year} />
      </ReportTabs>
      <AgreementsReportView back={back} />
    </>
  );
}

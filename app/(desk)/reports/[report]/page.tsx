import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { moneyReports } from '@/core/reports';
import { may } from '@/services/actor';
import { offeredReports, readMoneyReport } from '@/services/reports/moneyReport';
import { MoneyReportView } from '@/desk/reports/MoneyReportView';
import { ReportTabs } from '@/desk/reports/ReportTabs';
import '@/desk/reports/reports.css';
import { pageActor } from '../../../session';

interface Asked {
  readonly params: Promise<{ report: string }>;
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>;
}

const reportOf = (id: string) => moneyReports.find((each) => each.id === id) ?? notFound();

export async function generateMetadata({ params }: Asked): Promise<Metadata> {
  const { title } = reportOf((await params).report);
  return { title };
}

export default async function MoneyReportPage({ params, searchParams }: Asked) {
  const { id } = reportOf((await params).report);
  const actor = await pageActor('prices');
  const reports = await offeredReports(actor);
  if (!reports.some((each) => each.id === id)) redirect('/not-yours');
  const report = await readMoneyReport(actor, id, await searchParams);
  return (
    <div className="page">
      <header className="page-head">
        <h1>Reports</h1>
      </header>
      <ReportTabs show={id} mayTax={may(actor, 'money')} seesCost={may(actor, 'cost')} reports={reports} />
      <MoneyReportView key={id} report={report} />
    </div>
  );
}

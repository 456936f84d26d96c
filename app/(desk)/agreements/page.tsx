import type { Metadata } from 'next';
import { agreementGroups, listAgreements } from '@/services/agreements/list';
import { AgreementList } from '@/desk/agreements/AgreementList';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Agreements' };

export default async function AgreementsPage({
  searchParams,
}: {
  searchParams: Promise<{ search?: string; show?: string; before?: string }>;
}) {
  const query = await searchParams;
  const wanted = {
    search: String(query.search ?? '').slice(0, 200),
    show: agreementGroups.find((group) => group === query.show) ?? 'all',
    before: /^\d{1,9}$/.test(String(query.before)) ? Number(query.before) : null,
  };
  const { rows, more } = await listAgreements(await pageActor(), wanted);
  return (
    <div className="page">
      <header className="page-head">
        <h1>Agreements</h1>
        <span className="page-actions"></span>
      </header>
      <AgreementList rows={rows} more={more} {...wanted} />
    </div>
  );
}

import type { Metadata } from 'next';
import { may } from '@/services/actor';
import { ImportPage } from '@/desk/library/import/ImportPage';
import '@/desk/library/library.css';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'Import into the library' };

export default async function LibraryImportPage() {
  const actor = await pageActor('cost');
  return (
    <div className="page">
      <header className="page-head">
        <h1>Import into the library</h1>
      </header>
      {may(actor, 'library') ? (
        <ImportPage />
      ) : (
        <p className="empty">
          Your role does not bring lists into the library. Ask who manages it, or add single items.
        </p>
      )}
    </div>
  );
}

import type { Metadata } from 'next';
import { may } from '@/services/actor';
import { ImportPage } from '@/desk/library/import/ImportPage';
import '@/desk/library/library.css';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'Import into the library' };

export default async function LibraryImportPage() {
  const actor = await pageActor();
  return (
    <div className="page">
      <header className="page-head">
        <h1>Import into the library</h1>
      </header>
      {may(actor, 'owner') ? (
        <ImportPage />
      ) : (
        <p className="empty">The owner takes lists into the library. Ask them, or add single items.</p>
      )}
    </div>
  );
}

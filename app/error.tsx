'use client';

import { PageTrouble } from '@/ui/PageTrouble';

/** In place of a page outside the desk, or of the whole desk where not even its frame could be made. */
export default function AnyError({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="page-trouble">
      <PageTrouble again={reset} />
    </main>
  );
}

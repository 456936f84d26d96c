'use client';

import { PageTrouble } from '@/ui/PageTrouble';

export default function BookletError({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="booklet">
      <section className="leaf">
        <PageTrouble again={reset} />
      </section>
    </main>
  );
}

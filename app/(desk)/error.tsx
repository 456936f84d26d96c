'use client';

import { PageTrouble } from '@/ui/PageTrouble';

export default function DeskError({ reset }: { error: Error; reset: () => void }) {
  return (
    <div className="page">
      <PageTrouble again={reset} />
    </div>
  );
}

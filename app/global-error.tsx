'use client';

import '@fontsource/chivo/400.css';
import '@fontsource/bitter/600.css';
import '@/ui/theme/tokens.css';
import '@/ui/theme/base.css';
import { PageTrouble } from '@/ui/PageTrouble';

/** In place of everything, where not even the frame of all pages could be made. */
export default function GlobalError({ reset }: { error: Error; reset: () => void }) {
  return (
    <html lang="en">
      <body>
        <main className="page-trouble">
          <PageTrouble again={reset} />
        </main>
      </body>
    </html>
  );
}

import '@fontsource/chivo/400.css';
import '@fontsource/chivo/500.css';
import '@fontsource/chivo/700.css';
import '@fontsource/bitter/400.css';
import '@fontsource/bitter/600.css';
import '@/ui/theme/tokens.css';
import '@/ui/theme/base.css';
import type { Metadata, Viewport } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import { Awake } from '@/ui/Awake';
import { earlyClick } from '@/ui/earlyClick';
import { markPlace } from '@/ui/place/placeAddress';
import { requestNonce } from './session';

export const metadata: Metadata = {
  title: { default: 'Impegno', template: '%s · Impegno' },
  description: 'Proposals, choices and stage invoices',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

/** The colours are set before anything is drawn: by the person's choice (a cookie), else by what their system prefers. */
export default async function RootLayout({ children }: { children: ReactNode }) {
  const chosen = (await cookies()).get('impegno-look')?.value;
  const look = chosen === 'light' || chosen === 'dark' ? { 'data-theme': chosen } : {};
  return (
    <html lang="en" {...look} suppressHydrationWarning>
      <body>
        <script
          nonce={await requestNonce()}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: `${markPlace};${earlyClick}` }}
        />
        {children}
        <Awake />
      </body>
    </html>
  );
}

'use client';

import { Alert, Drawer } from 'antd';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import type { GuideEntry } from '@/model';
import { askDoor } from '@/ui/askDoor';
import { placeNow } from '@/ui/place/usePlace';
import { pageFor } from './pageFor';
import { GuideText } from './GuideText';

interface Read {
  readonly title: string;
  readonly html: string;
}

/** The page of the guide about the screen one is on, beside it. */
export function HelpDrawer({ close }: { readonly close: () => void }) {
  const [read, setRead] = useState<Read | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    const gone = new AbortController();
    const ask = async () => {
      const pages = await askDoor<readonly GuideEntry[]>('/api/desk/help', { signal: gone.signal });
      const page = pageFor(pages, window.location.pathname, placeNow());
      if (!page) throw new Error('There is no page about this screen.');
      setRead(await askDoor<Read>(`/api/desk/help/${page.slug}`, { signal: gone.signal }));
    };
    ask().catch((error: Error) => {
      if (!gone.signal.aborted) setTrouble(error.message);
    });
    return () => gone.abort();
  }, []);
  return (
    <Drawer open onClose={close} title={read?.title ?? 'Help'} size={460}>
      {trouble && <Alert type="info" title={trouble} className="below" />}
      {read ? <GuideText html={read.html} /> : trouble === null && <p className="soft">A moment …</p>}
      <p>
        <Link className="link-in-text" href="/help" prefetch={false} onClick={close}>
          All of the guide
        </Link>
      </p>
    </Drawer>
  );
}

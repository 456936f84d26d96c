'use client';

import { Button } from 'antd';
import dynamic from 'next/dynamic';
import { usePathname } from 'next/navigation';
import { useState } from 'react';
import type { Answer, GuideEntry } from '@/model';
import { asked } from '@/ui/asked';
import { usePlace } from '@/ui/place/usePlace';
import { pageFor } from './pageFor';
import './hint.css';

const HelpDrawer = dynamic(() => import('./HelpDrawer').then((module) => module.HelpDrawer));

/** What helps on the screen one is on, until it is put away: at once here, and for good when the server has it. */
export function HintBar({
  pages,
  putAway,
}: {
  readonly pages: readonly GuideEntry[];
  readonly putAway: (which: string) => Promise<Answer<void>>;
}) {
  const path = usePathname();
  const place = usePlace();
  const [gone, setGone] = useState<readonly string[]>([]);
  const [reading, setReading] = useState(false);
  const page = pages.length === 0 || gone.includes('all') ? null : pageFor(pages, path, place.toString());
  const away = (which: string) => {
    setGone((before) => [...before, which]);
    // Where the answer is lost it is there again at the next visit, and no more is lost.
    void asked(putAway(which));
  };
  return (
    <>
      {page && page.hint !== '' && !gone.includes(page.slug) && (
        <aside className="hint" aria-label="Hint">
          <span className="hint-words" title={page.hint}>
            {page.hint}
          </span>
          <Button size="small" type="link" onClick={() => setReading(true)}>
            More
          </Button>
          <Button size="small" type="text" onClick={() => away(page.slug)}>
            Put away
          </Button>
          <Button size="small" type="text" onClick={() => away('all')}>
            No more hints
          </Button>
        </aside>
      )}
      {reading && <HelpDrawer close={() => setReading(false)} />}
    </>
  );
}

'use client';

import { useEffect, useRef, useState } from 'react';
import { menuOf } from '@/core/choice';
import type { Range } from '@/core/range';
import type { ProposalDocument } from '@/model';

const PAUSE = 150;

/**
 * The range of a proposal over all choices, worked out in a worker a moment after the last edit. Null while there is
 * nothing to choose, and while what is known is not of this document any more.
 */
export function useRange(document: ProposalDocument): { range: Range | null; waiting: boolean } {
  const { extras, questions, tiers } = menuOf(document);
  const open = extras.length + questions.length + tiers.length > 0;
  const worker = useRef<Worker | null>(null);
  const asked = useRef(0);
  const [found, setFound] = useState<{ document: ProposalDocument; range: Range } | null>(null);

  useEffect(() => () => worker.current?.terminate(), []);
  useEffect(() => {
    if (!open) return;
    const ask = (asked.current += 1);
    const timer = setTimeout(() => {
      worker.current ??= new Worker(new URL('./range.worker.ts', import.meta.url), { type: 'module' });
      worker.current.onmessage = ({ data }: MessageEvent<{ ask: number; range: Range }>) => {
        if (data.ask === asked.current) setFound({ document, range: data.range });
      };
      worker.current.postMessage({ ask, document });
    }, PAUSE);
    return () => clearTimeout(timer);
  }, [document, open]);

  const current = open && found?.document === document ? found.range : null;
  return { range: current, waiting: open && current === null };
}

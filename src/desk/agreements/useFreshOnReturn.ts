'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

/** Reads the page afresh when somebody comes back to its window: the customer may have chosen or signed meanwhile. */
export function useFreshOnReturn(): void {
  const router = useRouter();
  useEffect(() => {
    const onVisible = () => {
      if (document.visibilityState === 'visible') router.refresh();
    };
    document.addEventListener('visibilitychange', onVisible);
    return () => document.removeEventListener('visibilitychange', onVisible);
  }, [router]);
}

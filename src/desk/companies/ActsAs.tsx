'use client';

import { useLayoutEffect } from 'react';
import { actsAsHeader } from '@/ui/actsAsHeader';

declare global {
  interface Window {
    actsAs?: string;
  }
}

/**
 * Every request of the desk says as whom its page was opened: when this browser went on as somebody else in another tab, or
 * in another company, the server refuses instead of doing it there.
 */
export function ActsAs({ userId }: { readonly userId: string }) {
  useLayoutEffect(() => {
    if (window.actsAs === undefined) {
      const ask = window.fetch.bind(window);
      window.fetch = (input, init) => {
        const target = new URL(input instanceof Request ? input.url : String(input), window.location.href);
        if (target.origin !== window.location.origin) return ask(input, init);
        const request = new Request(input, init);
        request.headers.set(actsAsHeader, window.actsAs ?? '');
        return ask(request);
      };
    }
    window.actsAs = userId;
  }, [userId]);
  return null;
}

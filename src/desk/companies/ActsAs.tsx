'use client';

import { useLayoutEffect } from 'react';

declare global {
  interface Window {
    actsAs?: string;
  }
}

/** The header by which a page says as whom it asks. Written here and in `app/session.ts`. */
const HEADER = 'x-acts-as';

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
        request.headers.set(HEADER, window.actsAs ?? '');
        return ask(request);
      };
    }
    window.actsAs = userId;
  }, [userId]);
  return null;
}

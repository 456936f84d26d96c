import { useLayoutEffect, useSyncExternalStore } from 'react';

/**
 * Where one is within a page: the step of a proposal, the subject of the settings. It stands behind the # of the address, so
 * that it can be sent and gone back from, and never reaches the server: what the page is read anew by stays what it was read
 * by. (Behind a ? the router takes an answer for another page, asks again, and at the second time loads the whole page.)
 */
export const placeNow = (): string => window.location.hash.slice(1);

/** Goes to another place of this page; a step of the history. */
export function goToPlace(place: string): void {
  if (placeNow() === place) return;
  window.history.pushState(null, '', `${window.location.pathname}${window.location.search}#${place}`);
  window.dispatchEvent(new HashChangeEvent('hashchange'));
}

function listen(changed: () => void): () => void {
  window.addEventListener('hashchange', changed);
  window.addEventListener('popstate', changed);
  return () => {
    window.removeEventListener('hashchange', changed);
    window.removeEventListener('popstate', changed);
  };
}

/** The place of the page that is shown. The server knows only the first of them; see `markPlace`. */
export function usePlace(): URLSearchParams {
  const place = useSyncExternalStore(listen, placeNow, () => '');
  useLayoutEffect(() => {
    delete document.documentElement.dataset.place;
  });
  return new URLSearchParams(place);
}

/** Goes to an address of the desk: within this page without asking the server. */
export function goToAddress(router: { readonly push: (address: string) => void }, address: string): void {
  const { pathname, search, hash } = new URL(address, window.location.href);
  const within = pathname === window.location.pathname && search === window.location.search;
  if (within && hash !== '') goToPlace(hash.slice(1));
  else router.push(address);
}

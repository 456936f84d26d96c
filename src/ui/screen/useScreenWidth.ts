import { useSyncExternalStore } from 'react';

/** Up to here a screen is a phone's: one column, the places of the desk as a bar at the foot. As in the style sheets. */
export const PHONE = 700;
/** Up to here a screen is a tablet's: what stands beside the work opens over it. As in the style sheets. */
export const TABLET = 1100;

/** What a page is drawn with before the screen is known. */
const UNKNOWN = 1280;

const subscribe = (told: () => void) => {
  window.addEventListener('resize', told);
  return () => window.removeEventListener('resize', told);
};

/** How wide the screen is, in CSS pixels. */
export const useScreenWidth = (): number =>
  useSyncExternalStore(
    subscribe,
    () => window.innerWidth,
    () => UNKNOWN,
  );

/** Whether the screen is so narrow; changes only when that does. */
export const useNarrow = (upTo: number): boolean =>
  useSyncExternalStore(
    subscribe,
    () => window.innerWidth <= upTo,
    () => UNKNOWN <= upTo,
  );

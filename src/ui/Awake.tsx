'use client';

import { useEffect } from 'react';

declare global {
  interface Window {
    /** Everything on the page answers. */
    awake?: boolean;
  }
}

/** Says that the page has woken up, once all of it is attached; see earlyClick. */
export function Awake() {
  useEffect(() => {
    const timer = setTimeout(() => {
      window.awake = true;
    });
    return () => clearTimeout(timer);
  }, []);
  return null;
}

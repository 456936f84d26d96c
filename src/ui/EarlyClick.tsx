'use client';

import type { ReactNode } from 'react';
import { useEffect } from 'react';

declare global {
  interface Window {
    /** The control pressed before the page could answer, if any; null once it can. */
    early?: Element | null;
  }
}

/**
 * Stands in the page's first bytes. Until the page has woken up (its scripts are loaded and attached), a press on a
 * control that needs them would be lost: it is kept instead, and done when `EarlyClick` says so. Links and buttons that
 * send a form work without scripts and are left alone.
 */
const keep = `addEventListener('click',function kept(event){
if(window.early===null){removeEventListener('click',kept,true);return}
var at=event.target.closest&&event.target.closest('button,[role=button],[role=tab],[role=switch],label,input[type=radio],input[type=checkbox]');
if(!at||at.closest('a[href]')||(at.type==='submit'&&at.form&&at.tagName==='BUTTON'))return;
event.preventDefault();event.stopImmediatePropagation();window.early=at},true)`;

/** Around the whole page: keeps the last press made before the page has woken up, and does it then. */
export function EarlyClick({ nonce, children }: { nonce: string | undefined; children: ReactNode }) {
  // A parent's effect runs after those of everything in it.
  useEffect(() => {
    const pressed = window.early;
    window.early = null;
    if (pressed instanceof HTMLElement && pressed.isConnected) pressed.click();
  }, []);
  return (
    <>
      <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: keep }} />
      {children}
    </>
  );
}

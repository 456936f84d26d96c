/** Is what a key is pressed on a field that takes text? Ticks and radios take none. */
export function takesText(target: EventTarget | null): target is HTMLElement {
  if (!(target instanceof HTMLElement)) return false;
  if (/^(TEXTAREA|SELECT)$/.test(target.tagName)) return true;
  return target instanceof HTMLInputElement && !/^(checkbox|radio|button|submit|file)$/.test(target.type);
}

/** Does it stand in a dialog over the page? A dialog has keys of its own. */
export const inDialog = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest('[role=dialog]') !== null;

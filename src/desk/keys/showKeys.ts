const asked = new EventTarget();

/** Asks for the sheet of keys, from wherever it is offered. */
export const showKeys = (): void => void asked.dispatchEvent(new Event('show'));

/** Tells whoever draws the sheet that it is asked for; returns how to stop. */
export function onShowKeys(told: () => void): () => void {
  asked.addEventListener('show', told);
  return () => asked.removeEventListener('show', told);
}

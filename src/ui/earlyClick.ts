/**
 * Keeps the last press on a control until the page has woken up (its scripts are loaded and attached: Awake says so), and
 * does it a moment after; without it the press would be lost. Links and buttons that send a form work without scripts and
 * are left alone. A page that never says so gets the press after five seconds all the same.
 *
 * It runs as text in the page's first bytes: everything it needs is inside it.
 */
function keepEarlyClick(): void {
  const patience = 5000;
  const look = 30;
  // What is drawn anew on waking up has a moment to stand.
  const settle = 60;
  const controls =
    'button,[role=button],[role=tab],[role=switch],label,input[type=radio],input[type=checkbox]';
  let kept: { readonly at: HTMLElement; readonly x: number; readonly y: number } | null = null;

  const press = () => {
    if (!kept) return;
    const { at, x, y } = kept;
    kept = null;
    // Drawn anew, another control stands in its place.
    const there = at.isConnected ? at : document.elementFromPoint(x, y)?.closest<HTMLElement>(controls);
    (there ?? at).click();
  };
  const wait = (since: number) => {
    setTimeout(() => {
      if (!window.awake && Date.now() - since < patience) wait(since);
      else {
        window.awake = true;
        setTimeout(press, settle);
      }
    }, look);
  };
  window.addEventListener(
    'click',
    (event) => {
      if (window.awake || !event.isTrusted || !(event.target instanceof Element)) return;
      const at = event.target.closest<HTMLElement>(controls);
      if (!at || at.closest('a[href]')) return;
      if (at instanceof HTMLButtonElement && at.type === 'submit' && at.form) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      const first = kept === null;
      kept = { at, x: event.clientX, y: event.clientY };
      if (first) wait(Date.now());
    },
    true,
  );
}

/** The above, as the page carries it. */
export const earlyClick = `(${keepEarlyClick.toString()})()`;

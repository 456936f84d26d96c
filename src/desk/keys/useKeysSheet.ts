import { useEffect, useState } from 'react';
import type { KeyGroup } from './keys';
import { keysOf } from './keys';
import { onShowKeys } from './showKeys';

/** Is a question mark typed here text, and no question? */
function isText(field: HTMLElement): boolean {
  if (field.id === 'add-line') return (field as HTMLInputElement).value !== '';
  if (/^(TEXTAREA|SELECT)$/.test(field.tagName)) return true;
  return (
    field instanceof HTMLInputElement &&
    field.type !== 'checkbox' &&
    field.type !== 'radio' &&
    (field.dataset.dirty !== undefined || field.dataset.cell === undefined || field.value === '?')
  );
}

/** The keys of the place one is in, while the sheet of keys is asked for: by `?`, or by whoever offers it. */
export function useKeysSheet() {
  const [groups, setGroups] = useState<readonly KeyGroup[] | null>(null);
  useEffect(() => {
    const show = () => setGroups(keysOf(window.location.pathname, window.location.search));
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== '?' || event.ctrlKey || event.metaKey || isText(event.target as HTMLElement)) return;
      event.preventDefault();
      show();
    };
    window.addEventListener('keydown', onKey);
    const stop = onShowKeys(show);
    return () => {
      window.removeEventListener('keydown', onKey);
      stop();
    };
  }, []);
  return [groups, setGroups] as const;
}

import { useEffect, useState } from 'react';
import type { KeyGroup } from './keys';
import { takesText } from '@/ui/keys/target';
import { placeNow } from '@/ui/place/usePlace';
import { keysOf } from './keys';
import { onShowKeys } from './showKeys';

/** Is a question mark typed here text, and no question? In a cell that is not typed in, and in the empty add line, it asks. */
function isText(target: EventTarget | null): boolean {
  if (!takesText(target)) return false;
  const { id, dataset } = target;
  const typed = (target as HTMLInputElement).value;
  if (id === 'add-line') return typed !== '';
  return (
    target.tagName !== 'INPUT' || dataset.dirty !== undefined || dataset.cell === undefined || typed === '?'
  );
}

/** The keys of the place one is in, while the sheet of keys is asked for: by `?`, or by whoever offers it. */
export function useKeysSheet() {
  const [groups, setGroups] = useState<readonly KeyGroup[] | null>(null);
  useEffect(() => {
    const show = () => setGroups(keysOf(window.location.pathname, placeNow()));
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== '?' || event.ctrlKey || event.metaKey || isText(event.target)) return;
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

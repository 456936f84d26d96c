import { useEffect, useRef } from 'react';
import { inDialog, takesText } from '../keys/target';

/** `/` pressed where nothing is typed: the way to the field that finds. */
export function useSlash(find: () => void): void {
  const now = useRef(find);
  useEffect(() => {
    now.current = find;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== '/' || event.ctrlKey || event.metaKey || event.altKey) return;
      if (takesText(event.target) || inDialog(event.target)) return;
      event.preventDefault();
      now.current();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

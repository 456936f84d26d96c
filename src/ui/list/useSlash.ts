import { useEffect, useRef } from 'react';

/** `/` pressed where nothing is typed: the way to the field that finds. */
export function useSlash(find: () => void): void {
  const now = useRef(find);
  useEffect(() => {
    now.current = find;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const field = event.target as HTMLElement;
      if (event.key !== '/' || event.ctrlKey || event.metaKey || event.altKey) return;
      if (
        /^(INPUT|TEXTAREA|SELECT)$/.test(field.tagName) &&
        !/^(checkbox|radio)$/.test((field as HTMLInputElement).type)
      )
        return;
      event.preventDefault();
      now.current();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

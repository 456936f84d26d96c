import type { RefObject } from 'react';
import { useEffect, useRef } from 'react';
import { useEditor } from '../context';

/**
 * A proposal just begun waits for its lines: the focus is in the field, where nothing else has it. By finger the keyboard
 * of the screen would cover the page, so there it waits for a tap.
 */
export function useFocusOnBeginning(field: RefObject<HTMLInputElement | null>): void {
  const { saveNumber } = useEditor().work;
  const begun = useRef(saveNumber === 0);
  useEffect(() => {
    const free = document.activeElement === document.body;
    if (begun.current && free && window.matchMedia('(pointer: fine)').matches) field.current?.focus();
  }, [field]);
}

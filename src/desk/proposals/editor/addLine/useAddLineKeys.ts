import type { KeyboardEvent } from 'react';
import type { Found } from '../../../library/search';
import type { useFoundWords } from './useFoundWords';

/** The keys of the add line: arrows through what was found, Enter takes it, Shift Enter a line of one's own. */
export function useAddLineKeys({
  text,
  words,
  found,
  noteKey,
  add,
  escape,
}: {
  readonly text: string;
  /** The words in it, without the quantity. */
  readonly words: string;
  readonly found: ReturnType<typeof useFoundWords>;
  readonly noteKey: (at: number) => void;
  readonly add: (own: boolean, one: Found | null) => void;
  readonly escape: () => void;
}) {
  const { shown, picked } = found;
  const down = () => {
    // On the empty field: what is often used on such a section.
    if (words === '' && !found.looked) found.look('');
    else found.setPicked(Math.min(picked + 1, Math.max(shown.length - 1, 0)));
  };
  const up = () => {
    if (picked > 0) found.setPicked(picked - 1);
    else if (text !== '') return;
    else if (found.looked) found.giveUp();
    else [...document.querySelectorAll<HTMLElement>('[data-cell="quantity"]')].at(-1)?.focus();
  };
  return (event: KeyboardEvent<HTMLInputElement>): void => {
    noteKey(event.timeStamp);
    const { key, shiftKey } = event;
    if (key === 'Escape') {
      escape();
      return;
    }
    // The key that leads here, pressed once more, types nothing.
    const again = key === '/' && text === '';
    const enter = key === 'Enter' && !event.ctrlKey && !event.metaKey;
    if (!again && !enter && key !== 'ArrowDown' && key !== 'ArrowUp') return;
    event.preventDefault();
    if (key === 'ArrowDown') down();
    else if (key === 'ArrowUp') up();
    else if (enter) add(shiftKey, shiftKey ? null : found.pickedFor(event.currentTarget.value));
  };
}

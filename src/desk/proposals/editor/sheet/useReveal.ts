import type { RefObject } from 'react';
import { useEffect, useRef } from 'react';
import type { Reveal } from '../context';

/** How many frames a row is waited for. */
const FRAMES = 40;

/** Goes to a cell of a row that has been drawn; the last there are, where it asks for one past them. */
function goTo(within: HTMLElement | null, { key, focusIn = key, nth = 0 }: Reveal, cell: string): boolean {
  const cells = within?.querySelectorAll<HTMLElement>(`[data-row="${focusIn}"] [data-cell="${cell}"]`) ?? [];
  const found = cells[nth] ?? cells[cells.length - 1];
  found?.focus();
  return found !== undefined;
}

/**
 * Brings a row into view, and the focus into a cell of it, once for each time it is asked for.
 * @param places where each row stands, by its key
 */
export function useReveal(
  revealed: Reveal | null,
  places: ReadonlyMap<string, number>,
  scroll: RefObject<HTMLElement | null>,
  scrollTo: (index: number, options: { align: NonNullable<Reveal['align']> | 'auto' }) => void,
): void {
  useEffect(() => {
    if (!revealed) return;
    const at = places.get(revealed.key);
    if (at === undefined) return;
    scrollTo(at, { align: revealed.align ?? 'auto' });
    const { cell } = revealed;
    if (cell === undefined) return;
    // Far down the sheet a row is drawn only some frames after it was scrolled to.
    let left = FRAMES;
    let frame = requestAnimationFrame(function look() {
      if (revealed.mayFocus?.() === false) return;
      if (goTo(scroll.current, revealed, cell) || (left -= 1) === 0) return;
      frame = requestAnimationFrame(look);
    });
    return () => cancelAnimationFrame(frame);
    // A reveal is answered once, when it is asked for: later changes of the rows do not scroll.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [revealed]);
}

/**
 * What a press opened (details of a line, inputs of a bundle, the space of a section) comes into view, as far as it is not.
 * @param opened keys of what stands open
 */
export function useOpenedInView(
  opened: ReadonlySet<string>,
  places: ReadonlyMap<string, number>,
  scroll: RefObject<HTMLElement | null>,
  scrollTo: (index: number, options: { align: 'auto' }) => void,
): void {
  const before = useRef(opened);
  useEffect(() => {
    const fresh = [...opened].filter((key) => !before.current.has(key));
    before.current = opened;
    const [key] = fresh;
    // Several at once are no press.
    if (key === undefined || fresh.length > 1) return;
    const row = [`${key} details`, `${key} inputs`, key].find((one) => places.has(one));
    if (row === undefined) return;
    scrollTo(places.get(row)!, { align: 'auto' });
    // How high it is, is known once it is drawn.
    const frame = requestAnimationFrame(() =>
      requestAnimationFrame(() =>
        scroll.current
          ?.querySelector(`[data-key="${CSS.escape(row)}"]`)
          ?.scrollIntoView({ block: 'nearest' }),
      ),
    );
    return () => cancelAnimationFrame(frame);
    // Answered once, when it is opened: later changes of the rows do not scroll.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [opened]);
}

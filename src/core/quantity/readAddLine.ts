import { writeFixed } from '../number';
import { parseQuantity } from './parseQuantity';

/** What was typed: a quantity, if it begins with one, and words. `12 joist`, `38+64+22 screen`, `12' 6" gutter`. */
export function readAddLine(text: string): { quantity: string | null; words: string } {
  const trimmed = text.trim();
  // The longest beginning that reads as a quantity and ends before a blank is the quantity.
  for (let end = trimmed.length; end > 0; end = trimmed.lastIndexOf(' ', end - 1)) {
    const head = trimmed.slice(0, end);
    if (!/^[\d(.]/.test(head)) break;
    try {
      return { quantity: writeFixed(parseQuantity(head)), words: trimmed.slice(end).trim() };
    } catch {
      // Not a quantity yet; try a shorter beginning.
    }
  }
  return { quantity: null, words: trimmed };
}

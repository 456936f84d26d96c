/** A text is longer than fits where it was typed. */
export class TooLong extends RangeError {}

/**
 * The text as it is kept: without blanks around it, whole.
 * @param most how many characters (UTF-16 code units, as JSON Schema's readers count for common letters) fit
 * @throws TooLong with a sentence; nothing is ever cut
 */
export function fitting(text: string, most: number): string {
  const trimmed = text.trim();
  if (trimmed.length > most)
    throw new TooLong(`This is ${trimmed.length} characters long; ${most} fit here.`);
  return trimmed;
}

/** Are all the words of a search in a text, in any case and order? Every text has the words of an empty search. */
export function hasAllWords(search: string, text: string): boolean {
  const within = text.toLowerCase();
  return search
    .toLowerCase()
    .split(/\s+/)
    .every((word) => within.includes(word));
}

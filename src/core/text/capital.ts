/** A word or sentence with its first letter large; the rest stays. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

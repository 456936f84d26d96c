/*
 * What a page is sent by its own forms and scripts, looked at before the framework reads it: what is none of ours is refused
 * with a sentence there, not met by an error inside.
 */

/** An action's arguments as one text (React's reply format): `$` marks what JSON has no word for. */
const known = /^\$(\$|undefined$|NaN$|Infinity$|-Infinity$|-0$|D|n|S)/;

function holdsOnlyValues(value: unknown): boolean {
  if (typeof value === 'string') return !value.startsWith('$') || known.test(value);
  if (typeof value !== 'object' || value === null) return true;
  return Object.values(value).every(holdsOnlyValues);
}

/** Whether a text is the arguments of an action: a list of values that refer to nothing outside it. */
export function isActionBody(text: string): boolean {
  // Deep nesting is nobody's argument; the check below goes as deep as the text.
  if (/[[{](?:\s*[[{]){80}/.test(text)) return false;
  try {
    const args: unknown = JSON.parse(text);
    return Array.isArray(args) && holdsOnlyValues(args);
  } catch {
    return false;
  }
}

/** Whether the name of an action can be one. */
export const isActionName = (name: string): boolean => /^[0-9a-f]{40,64}$/.test(name);

/*
 * What a page is sent by its own forms and scripts, looked at before the framework reads it: what is none of ours is refused
 * with a sentence there, not met by an error inside.
 */

/** An action's arguments as one text (React's reply format): `$` marks what JSON has no word for. */
const known = /^\$(\$|undefined$|NaN$|Infinity$|-Infinity$|-0$|D|n|S)/;

/** Whether a reference to another place of the same text (`$0:0:patches:2:value`) leads somewhere. */
function leadsSomewhere(reference: string, root: unknown): boolean {
  const [start, ...keys] = reference.slice(1).split(':');
  if (start !== '0' || keys.length > 60) return false;
  let at: unknown = root;
  for (const key of keys) {
    if (typeof at !== 'object' || at === null || !Object.hasOwn(at, key)) return false;
    at = (at as Record<string, unknown>)[key];
  }
  return true;
}

function holdsOnlyValues(value: unknown, root: unknown): boolean {
  if (typeof value === 'string')
    return !value.startsWith('$') || known.test(value) || leadsSomewhere(value, root);
  if (typeof value !== 'object' || value === null) return true;
  return Object.values(value).every((each) => holdsOnlyValues(each, root));
}

/** Whether a text is the arguments of an action: a list of values that refer to nothing outside it. */
export function isActionBody(text: string): boolean {
  // Deep nesting is nobody's argument; the check below goes as deep as the text.
  if (/[[{](?:\s*[[{]){80}/.test(text)) return false;
  try {
    const args: unknown = JSON.parse(text);
    return Array.isArray(args) && holdsOnlyValues(args, args);
  } catch {
    return false;
  }
}

/** Whether the name of an action can be one. */
export const isActionName = (name: string): boolean => /^[0-9a-f]{40,64}$/.test(name);

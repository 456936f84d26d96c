import { identifierPattern } from '@/model';

const isName = new RegExp(identifierPattern);

/**
 * A name for formulas as it was typed.
 * @throws Error in words for what cannot be a name in formulas
 */
export function checkName(text: string, taken: readonly string[]): string {
  const name = text.trim();
  if (!isName.test(name)) throw new Error('A name is letters, digits and _, beginning with a letter.');
  if (taken.includes(name)) throw new Error(`“${name}” is taken.`);
  return name;
}

import type { CostCodes } from '@/model';
import { RowError } from './cells';

/** So many codes a company has at most. */
export const MOST_CODES = 2000;

/**
 * Reads a list of cost codes: a line each with code and name, divided by a tab, a semicolon or a comma; a heading is left out,
 * quotes around a cell too. What is behind the name is not read.
 * @throws RowError with the line and what is wrong in it
 */
export function readCostCodes(text: string): CostCodes['codes'] {
  const codes: CostCodes['codes'] = [];
  const seen = new Set<string>();
  for (const [i, line] of text.split(/\r\n|\r|\n/).entries()) {
    if (line.trim() === '') continue;
    const cells = line.split(/[\t;]/.test(line) ? /[\t;]/ : /,/).map((cell) =>
      cell
        .trim()
        .replace(/^"(.*)"$/, '$1')
        .trim(),
    );
    const [code = '', name = ''] = cells;
    if (i === 0 && /^(cost )?(code|number|no\.?)$/i.test(code)) continue;
    const wrong = (why: string) => new RowError(`Line ${i + 1}: ${why}`);
    if (code === '') throw wrong('a code is wanted before the name.');
    if (code.length > 40) throw wrong('a code has at most 40 letters.');
    if (name.length > 120) throw wrong('a name has at most 120 letters.');
    if (seen.has(code.toLowerCase())) throw wrong(`the code ${code} stands there twice.`);
    if (codes.length >= MOST_CODES) throw wrong(`a company has at most ${MOST_CODES} codes.`);
    seen.add(code.toLowerCase());
    codes.push({ code, name });
  }
  return codes;
}

/** The list as it is read: a line each. */
export const costCodesAsText = (codes: CostCodes['codes']): string =>
  codes.map(({ code, name }) => (name === '' ? code : `${code}; ${name}`)).join('\n');

import chivo from '@fontsource/chivo/unicode.json' with { type: 'json' };
import bitter from '@fontsource/bitter/unicode.json' with { type: 'json' };

type Range = readonly [from: number, to: number];

function rangesOf(subsets: Readonly<Record<string, string>>): Range[] {
  return Object.values(subsets)
    .flatMap((list) => list.split(','))
    .map((range): Range => {
      const [from = '', to = from] = range.trim().replace('U+', '').split('-');
      return [Number.parseInt(from, 16), Number.parseInt(to, 16)];
    });
}

const { latin, 'latin-ext': latinExt, vietnamese } = chivo;
const { cyrillic, 'cyrillic-ext': cyrillicExt } = bitter;
const covered = rangesOf({ latin, latinExt, vietnamese, cyrillic, cyrillicExt });
const isCovered = (letter: string) => {
  const point = letter.codePointAt(0)!;
  return covered.some(([from, to]) => point >= from && point <= to);
};
/** What stands for letters outside the fonts: plain signs where there are some. */
const plain: Readonly<Record<string, string>> = { '→': '->', '←': '<-', '≤': '<=', '≥': '>=', '✓': 'x' };

function legibleText(text: string): string {
  return [...text]
    .map((letter) => {
      if (letter === '\n' || isCovered(letter)) return letter;
      // ⅛ becomes 1/8; what has no simpler form becomes a question mark rather than a wrong letter.
      const simple = plain[letter] ?? letter.normalize('NFKC').replaceAll('⁄', '/');
      return [...simple].every(isCovered) ? simple : '?';
    })
    .join('');
}

/** Plain data with every text in it set in letters the paper's fonts have. */
export function legible<T>(data: T): T {
  if (typeof data === 'string') return legibleText(data) as T;
  if (Array.isArray(data)) return data.map(legible) as T;
  if (typeof data === 'object' && data !== null)
    return Object.fromEntries(Object.entries(data).map(([key, value]) => [key, legible(value)])) as T;
  return data;
}

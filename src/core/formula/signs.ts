/** The signs numbers are typed with: the decimal sign, and what sets thousands apart. */
export interface Signs {
  readonly decimal: '.' | ',';
  readonly group: ',' | '.' | '’' | null;
}

/** The signs of a locale, as `Intl` writes its numbers. */
export function signsOf(locale: string): Signs {
  const parts = new Intl.NumberFormat(locale, { useGrouping: true }).formatToParts(1_234_567.5);
  const sign = (type: 'decimal' | 'group') => parts.find((part) => part.type === type)?.value;
  const group = sign('group');
  return {
    decimal: sign('decimal') === ',' ? ',' : '.',
    // A straight apostrophe is the sign of feet; the curved one may set thousands apart.
    group: group === ',' || group === '.' ? group : group === "'" || group === '’' ? '’' : null,
  };
}

/**
 * Numbers as such signs write them, thousands set apart by threes or not at all.
 * @param blanks whether blanks may set thousands apart, too: `1 000.00`
 */
export function plainNumber({ decimal, group }: Signs, blanks: boolean): RegExp {
  const apart = [...(group === null ? [] : [`\\${group}`]), ...(blanks ? ['[ \\u00a0\\u202f\\u2009]'] : [])];
  const grouped = apart.map((sign) => `\\d{1,3}(?:${sign}\\d{3})+(?!\\d)`);
  return new RegExp(`(?:${[...grouped, '\\d{1,15}'].join('|')})(?:\\${decimal}\\d+)?|\\${decimal}\\d+`, 'y');
}

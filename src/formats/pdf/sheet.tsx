import path from 'node:path';
import { Font, StyleSheet, Text, View } from '@react-pdf/renderer';
import type { ReactNode } from 'react';

/*
 * The fonts come in parts by script. A family here is the list of its parts: each letter is set from the first part that
 * has it, so that Łucja and Őrségi keep their letters.
 */
const parts = ['latin', 'latin-ext', 'vietnamese', 'cyrillic', 'cyrillic-ext'] as const;

function family(
  name: string,
  source: string,
  weights: readonly number[],
  has: readonly string[] = parts,
): string[] {
  return has.map((part) => {
    const registered = `${name} ${part}`;
    Font.register({
      family: registered,
      fonts: weights.map((fontWeight) => ({
        fontWeight,
        src: path.join(
          process.cwd(),
          'node_modules',
          '@fontsource',
          source,
          'files',
          `${source}-${part}-${fontWeight}-normal.woff`,
        ),
      })),
    });
    return registered;
  });
}

const titles = family('Bitter', 'bitter', [400, 600, 700]);
const work = [
  ...family('Chivo', 'chivo', [400, 700], ['latin', 'latin-ext', 'vietnamese']),
  // Chivo has no Cyrillic; Bitter lends its own.
  ...titles.filter((name) => name.includes('cyrillic')),
];
// Words are not broken: what is read here are names of things and figures.
Font.registerHyphenationCallback((word) => [word]);

export const styles = StyleSheet.create({
  page: {
    padding: 48,
    paddingBottom: 60,
    fontFamily: work,
    fontSize: 10,
    lineHeight: 1.45,
    color: '#22282b',
  },
  title: {
    fontFamily: titles,
    fontWeight: 600,
    fontSize: 21,
    lineHeight: 1.2,
    marginTop: 6,
    marginBottom: 6,
  },
  heading: { fontFamily: titles, fontWeight: 600, fontSize: 13, marginTop: 14, marginBottom: 4 },
  soft: { color: '#656663' },
  part: { color: '#656663', fontSize: 9, paddingLeft: 10 },
  row: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    borderBottom: '0.5 solid #ddd3c2',
    paddingVertical: 3,
  },
  wide: { flex: 1, paddingRight: 12 },
  figure: { width: 84, textAlign: 'right' },
  strong: { fontWeight: 700 },
  sum: { borderTop: '1 solid #22282b', borderBottom: 'none', marginTop: 2 },
  choice: { backgroundColor: '#fcecd0', padding: 6, marginTop: 5 },
  foot: {
    position: 'absolute',
    bottom: 28,
    left: 48,
    right: 48,
    flexDirection: 'row',
    justifyContent: 'space-between',
    color: '#656663',
    fontSize: 8.5,
  },
});

/** One row: a name and its figures at the right. */
export function Row({
  name,
  detail,
  figures,
  sum = false,
}: {
  name: string;
  detail?: string | null;
  figures: readonly (string | null)[];
  sum?: boolean;
}) {
  const weight = sum ? [styles.strong] : [];
  return (
    <View style={[styles.row, ...(sum ? [styles.sum] : [])]} wrap={false}>
      <View style={styles.wide}>
        <Text style={weight}>{name}</Text>
        {detail ? <Text style={styles.soft}>{detail}</Text> : null}
      </View>
      {figures.map((figure, i) => (
        <Text key={i} style={[styles.figure, ...weight]}>
          {figure ?? ''}
        </Text>
      ))}
    </View>
  );
}

/** The foot of every page: from whom, and which page. */
export function Foot({ children }: { children: ReactNode }) {
  return (
    <View style={styles.foot} fixed>
      <Text>{children}</Text>
      <Text render={({ pageNumber, totalPages }) => `${pageNumber} / ${totalPages}`} />
    </View>
  );
}

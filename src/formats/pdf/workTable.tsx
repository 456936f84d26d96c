import { StyleSheet, Text, View } from '@react-pdf/renderer';
import { isNothing, showDecimal } from '@/core/number';
import type { StatementColumns } from '../statementPaper';
import { styles } from './sheet';

const table = StyleSheet.create({
  row: { flexDirection: 'row', borderBottom: '0.5 solid #ddd3c2', paddingTop: 2.5, paddingBottom: 2.5 },
  head: { borderBottom: '1 solid #22282b' },
  sum: { borderBottom: 'none', borderTop: '0.75 solid #22282b' },
  what: { flex: 1, paddingRight: 8 },
  figure: { width: 66, textAlign: 'right' },
  narrow: { width: 40, textAlign: 'right' },
  name: { maxLines: 1, textOverflow: 'ellipsis' },
});

const figure = (text: string) => (isNothing(text) ? '' : showDecimal(text));

/** One row of work: what it is, and its figures. */
export function WorkLine({
  name,
  detail = null,
  columns,
  look,
  balance = true,
  whole = false,
}: {
  name: string;
  detail?: string | null;
  columns: StatementColumns;
  look?: 'sum';
  /** With its percent to date and its balance. */
  balance?: boolean;
  /** Its words stand whole, in several lines where they are long. */
  whole?: boolean;
}) {
  const strong = look === 'sum' ? [styles.strong] : [];
  const short = whole ? [] : [table.name];
  const cells = [columns.agreed, columns.before, columns.now, columns.toDate];
  return (
    <View style={[table.row, ...(look === 'sum' ? [table.sum] : [])]} wrap={false}>
      <View style={table.what}>
        <Text style={[...short, ...strong]}>{name}</Text>
        {detail ? <Text style={[styles.soft, ...short]}>{detail}</Text> : null}
      </View>
      {cells.map((cell, i) => (
        <Text key={i} style={[table.figure, ...strong]}>
          {figure(cell)}
        </Text>
      ))}
      {balance ? (
        <>
          <Text style={[table.narrow, ...strong]}>{columns.percent}</Text>
          <Text style={[table.figure, ...strong]}>{figure(columns.left)}</Text>
        </>
      ) : null}
    </View>
  );
}

/** What the columns are. */
export function WorkHead({
  isCredit,
  name = 'Work, net',
  balance = true,
}: {
  isCredit: boolean;
  name?: string;
  balance?: boolean;
}) {
  const this_ = isCredit ? 'This note' : 'This invoice';
  return (
    <View style={[table.row, table.head]}>
      <Text style={[table.what, styles.strong]}>{name}</Text>
      {['Agreed', 'Before', this_, 'To date'].map((title) => (
        <Text key={title} style={[table.figure, styles.strong]}>
          {title}
        </Text>
      ))}
      {balance ? (
        <>
          <Text style={[table.narrow, styles.strong]}>%</Text>
          <Text style={[table.figure, styles.strong]}>Balance</Text>
        </>
      ) : null}
    </View>
  );
}

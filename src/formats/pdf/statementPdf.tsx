import { Document, Page, Text, View, renderToBuffer } from '@react-pdf/renderer';
import { isNothing, showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import type { StatementPaper } from '../statementPaper';
import { legible } from './legible';
import { Foot, Row, styles } from './sheet';
import { WorkHead, WorkLine } from './workTable';

/** Rows of a page. Pages are cut here: a long page that wraps by itself takes many times as long to lay out. */
const ROWS = 26;

/** The progress statement of an invoice as PDF: the sums on the first page, then every agreed line. */
export function statementPdf(given: StatementPaper): Promise<Buffer> {
  const paper = legible(given);
  const { application: sums } = paper;
  const name = paper.kind === 'credit note' ? 'credit note' : 'invoice';
  const pages: StatementPaper['rows'][] = [];
  for (let at = 0; at < paper.rows.length; at += ROWS) pages.push(paper.rows.slice(at, at + ROWS));
  const foot = `${paper.seller.name} · agreement ${paper.agreement.number} · ${name} ${paper.number}`;
  return renderToBuffer(
    <Document
      title={`Progress statement, ${name} ${paper.number}`}
      author={paper.seller.name}
      creationDate={new Date(`${paper.issuedOn}T00:00:00Z`)}
    >
      <Page size="LETTER" style={styles.page}>
        <Text>{paper.seller.name}</Text>
        <Text style={styles.title}>Progress statement</Text>
        <Text>
          {paper.agreement.title}, agreement {paper.agreement.number}, with {name} {paper.number} of{' '}
          {showDate(paper.issuedOn)}
        </Text>
        <Text style={styles.soft}>
          For {paper.buyer.name}. Sums are in {paper.currency}, including tax.
        </Text>
        <View style={{ marginTop: 18 }}>
          <Row name="Original contract sum" figures={[showDecimal(sums.original)]} />
          {paper.changes.map((change) => (
            <Row key={change.number} name={change.title} figures={[showDecimal(change.total)]} />
          ))}
          <Row name="Net change by change orders" figures={[showDecimal(sums.changes)]} />
          <Row name="Contract sum to date" figures={[showDecimal(sums.sumToDate)]} sum />
          <Row name="Work billed to date" figures={[showDecimal(sums.completed)]} />
          <Row
            name={paper.retainagePercent ? `Retainage held, ${paper.retainagePercent} %` : 'Retainage held'}
            figures={[showDecimal(sums.held)]}
          />
          <Row name="Earned less retainage" figures={[showDecimal(sums.earned)]} sum />
          {isNothing(sums.ahead) ? null : (
            <Row name="Deposit not applied yet" figures={[showDecimal(sums.ahead)]} />
          )}
          <Row name="Less billed before" figures={[showDecimal(sums.billedBefore)]} />
          <Row name={`Due with this ${name}`} figures={[showDecimal(sums.due)]} sum />
          <Row name="Balance to finish, with retainage" figures={[showDecimal(sums.toFinish)]} />
        </View>
        <Foot>{foot}</Foot>
      </Page>
      {pages.map((rows, i) => (
        <Page key={i} size="LETTER" style={[styles.page, { fontSize: 8.5 }]}>
          <WorkHead isCredit={paper.kind === 'credit note'} />
          {rows.map((row) => (
            <WorkLine
              key={row.id}
              name={row.description}
              detail={row.change === null ? row.section : `${row.section}, change order ${row.change}`}
              columns={row}
            />
          ))}
          {i === pages.length - 1 ? (
            <View wrap={false}>
              <WorkLine name="Net" columns={paper.sums.net} look="sum" />
              <WorkLine name="Tax" columns={paper.sums.tax} />
              <WorkLine name="With tax" columns={paper.sums.gross} look="sum" />
            </View>
          ) : null}
          <Foot>{foot}</Foot>
        </Page>
      ))}
    </Document>,
  );
}

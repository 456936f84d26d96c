import { Document, Page, Text, View, renderToBuffer } from '@react-pdf/renderer';
import { isBelowZero, showDecimal } from '@/core/number';
import { showDate, showShortDate } from '@/core/text/dates';
import type { AccountPaper } from '../accountPaper';
import { legible } from './legible';
import { Foot, Row, styles } from './sheet';

/** A customer's statement of account as PDF: every event with the balance after it, and what is open. */
export function accountPdf(given: AccountPaper): Promise<Buffer> {
  const paper = legible(given);
  const range = `${showDate(paper.from)} to ${showDate(paper.to)}`;
  return renderToBuffer(
    <Document
      title={`Statement of account, ${range}`}
      author={paper.seller.name}
      creationDate={new Date(`${paper.to}T00:00:00Z`)}
    >
      <Page size="LETTER" style={styles.page}>
        <Text>{paper.seller.name}</Text>
        <Text style={styles.title}>Statement of account</Text>
        <Text style={styles.strong}>{paper.buyer.name}</Text>
        <Text style={styles.soft}>{range}</Text>
        <View style={{ marginTop: 16 }}>
          <Row name="" figures={[`In ${paper.currency}`, 'Owed']} sum />
          <Row name="Owed before" figures={['', showDecimal(paper.opening)]} />
          {paper.rows.map((row, i) => (
            <Row
              key={i}
              name={`${showShortDate(row.day)}   ${row.what}`}
              detail={row.detail}
              figures={[showDecimal(row.amount), showDecimal(row.balance)]}
            />
          ))}
          <Row
            name={isBelowZero(paper.closing) ? 'Your credit balance' : 'Owed'}
            figures={['', showDecimal(paper.closing.replace(/^-/, ''))]}
            sum
          />
        </View>
        {paper.open.length > 0 ? (
          <View>
            <Text style={styles.heading}>Open invoices</Text>
            {paper.open.map((invoice) => (
              <Row
                key={invoice.id}
                name={`Invoice ${invoice.number}`}
                detail={`${invoice.title}, due ${showDate(invoice.dueOn)}${invoice.late ? ', late' : ''}`}
                figures={[showDecimal(invoice.open)]}
              />
            ))}
          </View>
        ) : null}
        <Foot>{`${paper.seller.name} · ${paper.seller.email}`}</Foot>
      </Page>
    </Document>,
  );
}

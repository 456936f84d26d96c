import { wayOf } from '@/core/text/names';
import { Document, Page, Text, View, renderToBuffer } from '@react-pdf/renderer';
import { isNothing, showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import type { ReceiptPaper } from '../receiptPaper';
import { legible } from './legible';
import { Foot, Row, styles } from './sheet';

/** The receipt of a payment as PDF: what came in, how, and which invoices it paid. */
export function receiptPdf(given: ReceiptPaper): Promise<Buffer> {
  const paper = legible(given);
  return renderToBuffer(
    <Document
      title={`Receipt of ${showDate(paper.receivedOn)}`}
      author={paper.seller.name}
      creationDate={new Date(`${paper.receivedOn}T00:00:00Z`)}
    >
      <Page size="LETTER" style={styles.page}>
        <Text>{paper.seller.name}</Text>
        <Text style={styles.title}>Receipt</Text>
        <Text>
          {paper.agreement.title}, agreement {paper.agreement.number}
        </Text>
        <Text style={styles.soft}>
          {`Received on ${showDate(paper.receivedOn)} by ${wayOf(paper)}${paper.reference ? `, ${paper.reference}` : ''}${
            paper.buyer ? `, from ${paper.buyer.name}` : ''
          }`}
        </Text>
        {paper.gone ? (
          <Text style={styles.strong}>
            {paper.gone.kind === 'void' ? 'This payment is void: ' : 'This payment was returned: '}
            {paper.gone.reason}
          </Text>
        ) : null}
        <View style={{ marginTop: 16 }}>
          <Row name={`Received in ${paper.currency}`} figures={[showDecimal(paper.amount)]} sum />
          {paper.gone
            ? null
            : paper.parts.map((part) => (
                <Row
                  key={part.number}
                  name={`Paid on invoice ${part.number}`}
                  detail={part.title}
                  figures={[showDecimal(part.amount)]}
                />
              ))}
          {paper.gone || isNothing(paper.credit) ? null : (
            <Row name="Kept as your credit, for the next invoice" figures={[showDecimal(paper.credit)]} />
          )}
        </View>
        <Foot>{`${paper.seller.name} · ${paper.seller.email}`}</Foot>
      </Page>
    </Document>,
  );
}

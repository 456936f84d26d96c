import { Document, Page, Text, View, renderToBuffer } from '@react-pdf/renderer';
import { isNothing, showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import type { InvoicePaper, PaperParty } from '../invoicePaper';
import { legible } from './legible';
import { Foot, Row, styles } from './sheet';

function Party({ title, party }: { title: string; party: PaperParty }) {
  const { address } = party;
  return (
    <View style={{ width: '48%' }}>
      <Text style={styles.soft}>{title}</Text>
      <Text style={styles.strong}>{party.name}</Text>
      <Text>{address.street}</Text>
      <Text>{[address.city, address.region, address.postcode].filter(Boolean).join(', ')}</Text>
      {party.taxNumber ? <Text style={styles.soft}>Tax number {party.taxNumber}</Text> : null}
    </View>
  );
}

/** An issued invoice as PDF: what it bills of each line, tax, what is to pay, and where it stands in the agreement. */
export function invoicePdf(given: InvoicePaper): Promise<Buffer> {
  const paper = legible(given);
  const money = showDecimal;
  return renderToBuffer(
    <Document
      title={`Invoice ${paper.number}`}
      author={paper.seller.name}
      creationDate={new Date(`${paper.issuedOn}T00:00:00Z`)}
    >
      <Page size="LETTER" style={styles.page}>
        <Text>{paper.seller.name}</Text>
        <Text style={styles.title}>Invoice {paper.number}</Text>
        <Text>
          {paper.title}: {paper.agreement.title}, agreement {paper.agreement.number}
        </Text>
        <Text style={styles.soft}>
          Issued {showDate(paper.issuedOn)}, due {showDate(paper.dueOn)}
        </Text>
        <View
          style={{ flexDirection: 'row', justifyContent: 'space-between', marginTop: 16, marginBottom: 16 }}
        >
          <Party title="To" party={paper.buyer} />
          <Party title="From" party={paper.seller} />
        </View>
        <Row name="Work" figures={['Agreed', 'This invoice']} sum />
        {paper.lines.map((line) => (
          <Row
            key={line.id}
            name={line.description}
            detail={line.section}
            figures={[money(line.agreed), money(line.net)]}
          />
        ))}
        <View wrap={false} style={{ marginTop: 12 }}>
          <Row name="Net" figures={[money(paper.net)]} />
          {paper.components
            .filter(({ amount }) => !isNothing(amount))
            .map((tax) => (
              <Row key={tax.key} name={`${tax.name} ${money(tax.percent)} %`} figures={[money(tax.amount)]} />
            ))}
          <Row name={`Total in ${paper.currency}`} figures={[money(paper.total)]} sum />
          {isNothing(paper.paid) ? null : (
            <>
              <Row name="Paid" figures={[money(paper.paid)]} />
              <Row name="To pay" figures={[money(paper.open)]} sum />
            </>
          )}
        </View>
        <View wrap={false}>
          <Text style={styles.heading}>In the agreement</Text>
          <Row name="Contract sum" figures={[money(paper.contractSum)]} />
          <Row name="Billed before" figures={[money(paper.billedBefore)]} />
          <Row name="This invoice" figures={[money(paper.total)]} />
          <Row name="Left to bill" figures={[money(paper.leftAfter)]} sum />
        </View>
        <Foot>{`${paper.seller.name} · ${paper.seller.email}`}</Foot>
      </Page>
    </Document>,
  );
}

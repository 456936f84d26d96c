import { Document, Page, Text, View, renderToBuffer } from '@react-pdf/renderer';
import { isNothing, showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import type { InvoicePaper, PaperParty } from '../invoicePaper';
import { settledWith } from '../invoicePaper';
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

/** Where an invoice stands in its agreement. */
function InAgreement({ paper }: { paper: InvoicePaper }) {
  const money = showDecimal;
  const short = paper.kind === 'credit note' ? 'note' : 'invoice';
  return (
    <View wrap={false}>
      <Text style={styles.heading}>In the agreement</Text>
      {paper.changes.length > 0 ? (
        <>
          <Row name="Original sum" figures={[money(paper.original)]} />
          {paper.changes.map((change) => (
            <Row key={change.number} name={change.title} figures={[money(change.total)]} />
          ))}
        </>
      ) : null}
      <Row name="Contract sum" figures={[money(paper.contractSum)]} sum={paper.changes.length > 0} />
      <Row name="Billed before" figures={[money(paper.billedBefore)]} />
      <Row name={`This ${short}`} figures={[money(paper.total)]} />
      <Row name="Left to bill" figures={[money(paper.leftAfter)]} sum />
      {isNothing(paper.heldToDate) ? null : (
        <Row name="Of that retainage, until completion" figures={[money(paper.heldToDate)]} />
      )}
    </View>
  );
}

/** An issued invoice as PDF: what it bills of each line, tax, what is to pay, and where it stands in the agreement. */
export function invoicePdf(given: InvoicePaper): Promise<Buffer> {
  const paper = legible(given);
  const money = showDecimal;
  const name = paper.kind === 'credit note' ? 'Credit note' : 'Invoice';
  const short = paper.kind === 'credit note' ? 'note' : 'invoice';
  return renderToBuffer(
    <Document
      title={`${name} ${paper.number}`}
      author={paper.seller.name}
      creationDate={new Date(`${paper.issuedOn}T00:00:00Z`)}
    >
      <Page size="LETTER" style={styles.page}>
        <Text>{paper.seller.name}</Text>
        <Text style={styles.title}>
          {name} {paper.number}
        </Text>
        <Text>
          {paper.title}: {paper.agreement.title}, agreement {paper.agreement.number}
        </Text>
        <Text style={styles.soft}>
          {`Issued ${showDate(paper.issuedOn)}${
            paper.credits
              ? `, credits invoice ${paper.credits.number} of ${showDate(paper.credits.issuedOn)}`
              : paper.kind === 'credit note'
                ? ''
                : `, due ${showDate(paper.dueOn)}`
          }`}
        </Text>
        <View
          style={{ flexDirection: 'row', justifyContent: 'space-between', marginTop: 16, marginBottom: 16 }}
        >
          <Party title="To" party={paper.buyer} />
          <Party title="From" party={paper.seller} />
        </View>
        {paper.lines.length > 0 ? (
          <Row name="Work" figures={['Agreed', 'Before', `This ${short}`, 'To date']} sum />
        ) : null}
        {paper.lines.map((line) => (
          <Row
            key={line.id}
            name={line.description}
            detail={line.change === null ? line.section : `${line.section}, change order ${line.change}`}
            figures={[line.agreed, line.before, line.net, line.toDate].map((amount, i) =>
              i > 0 && isNothing(amount) ? '' : money(amount),
            )}
          />
        ))}
        <View wrap={false} style={{ marginTop: 12 }}>
          {paper.lines.length > 0 && paper.apart.length > 0 ? (
            <Row name="Work, net" figures={[money(paper.work)]} sum />
          ) : null}
          {paper.apart.map((part) => (
            <Row key={part.name} name={`${part.name}, net`} figures={[money(part.net)]} />
          ))}
          <Row name="Net" figures={[money(paper.net)]} />
          {paper.components
            .filter(({ amount }) => !isNothing(amount))
            .map((tax, i) => (
              <Row
                key={`${tax.key}${i}`}
                name={`${tax.name} ${money(tax.percent)} %`}
                figures={[money(tax.amount)]}
              />
            ))}
          <Row name={`Total in ${paper.currency}`} figures={[money(paper.total)]} sum />
          {settledWith(paper).map(({ name, amount }) => (
            <Row key={name} name={name} figures={[money(amount)]} />
          ))}
          {settledWith(paper).length > 0 ? <Row name="To pay" figures={[money(paper.open)]} sum /> : null}
        </View>
        {paper.lateTerms ? <Text style={[styles.soft, { marginTop: 10 }]}>{paper.lateTerms}</Text> : null}
        {paper.remark ? <Text style={{ marginTop: 10 }}>{paper.remark}</Text> : null}
        {paper.ofAgreement ? <InAgreement paper={paper} /> : null}
        <Foot>{`${paper.seller.name} · ${paper.seller.email}`}</Foot>
      </Page>
    </Document>,
  );
}

import { Document, Page, Text, View, renderToBuffer } from '@react-pdf/renderer';
import { isNothing, showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import type { InvoicePaper, PaperParty } from '../invoicePaper';
import { settledWith } from '../invoicePaper';
import { legible } from './legible';
import { HeadOfWork, cutIntoPages, summaryRows, workRowsOf } from './invoiceWork';
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
      {isNothing(paper.billedBefore) ? null : <Row name="Of that paid" figures={[money(paper.paidBefore)]} />}
      <Row name={`This ${short}`} figures={[money(paper.total)]} />
      <Row name="Left to bill" figures={[money(paper.leftAfter)]} sum />
      {isNothing(paper.heldToDate) ? null : (
        <Row
          name="Of that retainage, until completion"
          detail={paper.retainageTerms}
          figures={[money(paper.heldToDate)]}
        />
      )}
    </View>
  );
}

/** What is to pay, and how it comes about. */
function Sums({ paper }: { paper: InvoicePaper }) {
  const money = showDecimal;
  return (
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
  );
}

/** What stands before the work: what it is, of which agreement, when it is due, who it is from and to. */
function HeadOfPaper({ paper, name }: { paper: InvoicePaper; name: string }) {
  return (
    <>
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
    </>
  );
}

/** Room for rows in points: below the head of the paper, and on a page that has only rows. */
const FIRST_PAGE = 440;
const NEXT_PAGE = 655;

/**
 * An issued invoice as PDF: what it bills, in the layout it was given; tax, what is to pay, and where it stands in the
 * agreement. With a summary, that and the sums come first, and the rows after them on pages of their own.
 */
export function invoicePdf(given: InvoicePaper): Promise<Buffer> {
  const paper = legible(given);
  const name = paper.kind === 'credit note' ? 'Credit note' : 'Invoice';
  const { summary } = paper.layout;
  const has = paper.lines.length > 0;
  const rows = has ? workRowsOf(paper.layout) : [];
  const main = has && summary ? summaryRows(summary) : rows;
  const pages = cutIntoPages(main, FIRST_PAGE, NEXT_PAGE);
  const details = summary && rows.length > 0 ? cutIntoPages(rows, NEXT_PAGE - 30, NEXT_PAGE) : [];
  const foot = <Foot>{`${paper.seller.name} · ${paper.seller.email}`}</Foot>;
  return renderToBuffer(
    <Document
      title={`${name} ${paper.number}`}
      author={paper.seller.name}
      creationDate={new Date(`${paper.issuedOn}T00:00:00Z`)}
    >
      {pages.map((own, i) => (
        <Page key={i} size="LETTER" style={styles.page}>
          {i === 0 ? <HeadOfPaper paper={paper} name={name} /> : null}
          {has ? <HeadOfWork paper={paper} summary={summary !== null} /> : null}
          {own}
          {i === pages.length - 1 ? (
            <>
              <Sums paper={paper} />
              {paper.lateTerms ? (
                <Text style={[styles.soft, { marginTop: 10 }]}>{paper.lateTerms}</Text>
              ) : null}
              {paper.remark ? <Text style={{ marginTop: 10 }}>{paper.remark}</Text> : null}
              {paper.ofAgreement ? <InAgreement paper={paper} /> : null}
            </>
          ) : null}
          {foot}
        </Page>
      ))}
      {details.map((own, i) => (
        <Page key={`details ${i}`} size="LETTER" style={styles.page}>
          {i === 0 ? (
            <Text style={styles.heading}>
              {name} {paper.number}, in detail
            </Text>
          ) : null}
          <HeadOfWork paper={paper} summary={false} />
          {own}
          {foot}
        </Page>
      ))}
    </Document>,
  );
}

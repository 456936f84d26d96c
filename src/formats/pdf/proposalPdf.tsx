import { Document, Page, Text, View, renderToBuffer } from '@react-pdf/renderer';
import { showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import { whenDue } from '@/core/text/whenDue';
import type { CustomerEntry, CustomerView } from '@/model';
import { unitName } from '@/model';
import { legible } from './legible';
import type { PagePicture } from './PlanPage';
import { PlanPage } from './PlanPage';
import { Foot, Row, styles } from './sheet';

export interface ProposalPaper {
  readonly view: CustomerView;
  readonly company: { readonly name: string; readonly phone: string; readonly email: string };
  readonly customer: string;
  readonly site: string;
  /** Pictures of the plans that are shown, by file. */
  readonly pictures: ReadonlyMap<string, PagePicture>;
}

const signed = (decimal: string) =>
  decimal.startsWith('-') ? showDecimal(decimal) : `+ ${showDecimal(decimal)}`;

function Entry({ entry }: { entry: CustomerEntry }) {
  if (entry.kind === 'question')
    return (
      <View style={styles.choice} wrap={false}>
        <Text style={styles.strong}>{entry.prompt}</Text>
        {entry.alternatives.map((alternative) => (
          <Row
            key={alternative.id}
            name={`${alternative.picked ? '[x]' : '[  ]'} ${alternative.name}`}
            detail={alternative.detail}
            figures={[
              alternative.picked
                ? alternative.amount
                  ? showDecimal(alternative.amount)
                  : 'included'
                : signed(alternative.difference),
            ]}
          />
        ))}
      </View>
    );
  const quantity = entry.quantity
    ? `${showDecimal(entry.quantity)} ${unitName(entry.unit)}${entry.unitPrice ? ` at ${showDecimal(entry.unitPrice)}` : ''}`
    : null;
  const detail = [entry.detail, quantity, entry.minimum && 'minimum charge'].filter(Boolean).join(' · ');
  if (entry.kind === 'extra')
    return (
      <View style={styles.choice} wrap={false}>
        <Row
          name={`${entry.in ? '[x]' : '[  ]'} Extra: ${entry.description}`}
          detail={detail}
          figures={[entry.in ? `${showDecimal(entry.difference)} in` : signed(entry.difference)]}
        />
      </View>
    );
  return (
    <>
      <Row name={entry.description} detail={detail} figures={[entry.amount && showDecimal(entry.amount)]} />
      {entry.parts.map((part) => (
        <Text key={part.id} style={styles.part}>
          {[
            part.description,
            part.quantity && `${showDecimal(part.quantity)} ${unitName(part.unit)}`,
            part.unitPrice && `at ${showDecimal(part.unitPrice)}`,
            part.discount && `less ${showDecimal(part.discount)}`,
            part.minimum && 'minimum charge',
            part.amount && showDecimal(part.amount),
          ]
            .filter(Boolean)
            .join(' · ')}
        </Text>
      ))}
    </>
  );
}

/** A proposal as PDF: what the booklet says, for one set of choices. Built from the customer view and nothing else. */
export function proposalPdf(paper: ProposalPaper): Promise<Buffer> {
  const { pictures, ...words } = paper;
  const { view, company, customer, site } = legible(words);
  return renderToBuffer(
    <Document title={view.title} author={company.name}>
      <Page size="LETTER" style={styles.page}>
        <Text>{company.name}</Text>
        <Text style={styles.title}>{view.title}</Text>
        <Text style={styles.soft}>
          For {customer} · {site}
          {view.validUntil ? ` · prices hold until ${showDate(view.validUntil)}` : ''}
        </Text>
        {view.coverNote ? <Text style={{ marginTop: 10 }}>{view.coverNote}</Text> : null}
        {view.sections.map((section) => (
          <View key={section.id}>
            <View
              style={{ flexDirection: 'row', justifyContent: 'space-between' }}
              wrap={false}
              minPresenceAhead={50}
            >
              <Text style={styles.heading}>{section.title}</Text>
              <Text style={[styles.heading, styles.figure]}>
                {section.amount ? showDecimal(section.amount) : ''}
              </Text>
            </View>
            {section.text ? <Text style={{ marginBottom: 4 }}>{section.text}</Text> : null}
            {section.entries.map((entry) => (
              <Entry key={entry.id} entry={entry} />
            ))}
            {section.discount ? (
              <Row name="Discount" figures={[`−${showDecimal(section.discount)}`]} />
            ) : null}
          </View>
        ))}
        <View wrap={false}>
          <Text style={styles.heading}>What it comes to</Text>
          {view.sections.map((section) =>
            section.amount ? (
              <Row key={section.id} name={section.title} figures={[showDecimal(section.amount)]} />
            ) : null,
          )}
          {view.discount ? <Row name="Discount" figures={[`−${showDecimal(view.discount)}`]} /> : null}
          {view.fees.map((fee) => (
            <Row key={fee.id} name={fee.name} figures={[showDecimal(fee.amount)]} />
          ))}
          {view.shows === 'total'
            ? null
            : view.taxes.map((tax) => (
                <Row key={tax.id} name={`${tax.name} ${tax.percent} %`} figures={[showDecimal(tax.amount)]} />
              ))}
          <Row
            name={`Total in ${view.currency}${view.shows === 'total' ? ', tax in' : ''}`}
            figures={[showDecimal(view.total)]}
            sum
          />
        </View>
        <View wrap={false}>
          <Text style={styles.heading}>When you pay</Text>
          {view.payments.map((payment) => (
            <Row
              key={payment.id}
              name={payment.name}
              detail={whenDue(payment.due)}
              figures={[showDecimal(payment.amount)]}
            />
          ))}
        </View>
        {view.terms ? (
          <View>
            <Text style={styles.heading}>Terms</Text>
            <Text>{view.terms}</Text>
          </View>
        ) : null}
        <Foot>{`${company.name} · ${company.phone} · ${company.email}`}</Foot>
      </Page>
      {view.plans.map((plan) => (
        <PlanPage key={plan.id} plan={plan} picture={pictures.get(plan.file) ?? null} />
      ))}
    </Document>,
  );
}

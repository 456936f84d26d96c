import { Document, Page, Text, View, renderToBuffer } from '@react-pdf/renderer';
import { discountName } from '@/core/text/discountName';
import { changeEffect } from '@/core/agreements';
import { isBelowZero, moneyOf, parseAmount, showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import { basisInWords } from '@/core/text/basisInWords';
import { billingInWords } from '@/core/text/billingInWords';
import { whenDue } from '@/core/text/whenDue';
import type { Contract, CustomerEntry, CustomerLevels, CustomerView } from '@/model';
import { unitAfter } from '@/model';
import { legible } from './legible';
import type { PagePicture } from './PlanPage';
import { PlanPage } from './PlanPage';
import { Foot, Row, styles } from './sheet';

export interface ProposalPaper {
  readonly view: CustomerView;
  readonly company: { readonly name: string; readonly phone: string; readonly email: string };
  readonly customer: string;
  readonly site: string;
  /** Of a change order: the agreement it is seen against. */
  readonly contract?: Contract | null;
  /** Pictures of the plans that are shown, by file. */
  readonly pictures: ReadonlyMap<string, PagePicture>;
}

const signed = (decimal: string) =>
  isBelowZero(decimal) ? showDecimal(decimal) : `+${showDecimal(decimal)}`;
const mark = (taken: boolean) => (taken ? '[x]' : '[  ]');
const decideBy = (until: string | null) => until && `to decide by ${showDate(until)}`;
const together = (...parts: readonly (string | null | false)[]) => parts.filter(Boolean).join(' · ') || null;

/** Levels one below the other, each with its total and what it has. */
function Levels({ tiers }: { tiers: CustomerLevels }) {
  return (
    <View style={styles.choice} wrap={false}>
      <Text style={styles.strong}>{tiers.prompt}</Text>
      {tiers.levels.map((level, i) => (
        <Row
          key={level.id}
          name={`${mark(level.picked)} ${level.name}${level.recommended ? ' (recommended)' : ''}`}
          detail={together(
            level.detail,
            tiers.rows.map(({ name, cells }) => `${name}: ${cells[i] ?? 'not in'}`).join('; '),
            level.recommended && tiers.reason,
          )}
          figures={[level.picked ? showDecimal(level.total) : signed(level.difference)]}
        />
      ))}
      {tiers.until ? <Text style={styles.soft}>{decideBy(tiers.until)}</Text> : null}
    </View>
  );
}

function Entry({ entry }: { entry: CustomerEntry }) {
  if (entry.kind === 'question')
    return (
      <View style={styles.choice} wrap={false}>
        <Text style={styles.strong}>{entry.prompt}</Text>
        {entry.alternatives.map((alternative) => (
          <Row
            key={alternative.id}
            name={`${mark(alternative.picked)} ${alternative.name}${alternative.recommended ? ' (recommended)' : ''}`}
            detail={together(alternative.detail, alternative.recommended && entry.reason)}
            figures={[
              alternative.picked
                ? alternative.amount
                  ? showDecimal(alternative.amount)
                  : 'included'
                : signed(alternative.difference),
            ]}
          />
        ))}
        {entry.until ? <Text style={styles.soft}>{decideBy(entry.until)}</Text> : null}
      </View>
    );
  const quantity = entry.quantity
    ? `${showDecimal(entry.quantity)} ${unitAfter(entry.quantity, entry.unit)}${entry.unitPrice ? ` at ${showDecimal(entry.unitPrice)}` : ''}`
    : null;
  const detail = [entry.detail, entry.allowance, quantity, entry.minimum && 'minimum charge']
    .filter(Boolean)
    .join(' · ');
  if (entry.kind === 'extra')
    return (
      <View style={styles.choice} wrap={false}>
        <Row
          name={`${mark(entry.in)} Extra: ${entry.description}`}
          detail={together(detail, decideBy(entry.until))}
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
            part.quantity && `${showDecimal(part.quantity)} ${unitAfter(part.quantity, part.unit)}`,
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

/** What a change order does to its agreement, before and after. */
function EffectOn({ contract, view }: { contract: Contract; view: CustomerView }) {
  if (!view.change) return null;
  const read = (text: string) => parseAmount(text, contract.minorDigits);
  const effect = changeEffect(
    contract,
    { total: read(view.total), taxTotal: read(view.taxTotal) },
    view.change,
  );
  const money = moneyOf(effect.minorDigits);
  return (
    <View wrap={false}>
      <Text style={styles.heading}>What it does to our agreement: before and after</Text>
      {effect.entries.map((entry) => (
        <Row
          key={entry.id}
          name={entry.name}
          detail={entry.billed ? 'billed already' : null}
          figures={[money.show(entry.before), money.show(entry.after)]}
        />
      ))}
      <Row name="of which tax" figures={[money.show(effect.tax.before), money.show(effect.tax.after)]} />
      <Row name="Contract sum" figures={[money.show(effect.sum.before), money.show(effect.sum.after)]} sum />
    </View>
  );
}

/** The taxes: added below the prices, or what of the total is tax. */
function Taxes({ view: { taxes, taxInside } }: { view: CustomerView }) {
  return taxes.map((tax) => (
    <Row
      key={tax.id}
      name={`${taxInside ? 'of which ' : ''}${tax.name} ${tax.percent} %`}
      figures={[showDecimal(tax.amount)]}
    />
  ));
}

/** A proposal as PDF: what the booklet says, for one set of choices. Built from the customer view and nothing else. */
export function proposalPdf(paper: ProposalPaper): Promise<Buffer> {
  const { pictures, contract, ...words } = paper;
  const { view, company, customer, site } = legible(words);
  const reading = basisInWords(view);
  return renderToBuffer(
    <Document title={view.title} author={company.name}>
      <Page size="LETTER" style={styles.page}>
        <Text>{company.name}</Text>
        <Text style={styles.title}>{view.title}</Text>
        <Text style={styles.soft}>
          For {customer} · {site}
          {view.validUntil ? ` · prices hold until ${showDate(view.validUntil)}` : ''}
        </Text>
        {reading ? <Text style={styles.soft}>{reading}</Text> : null}
        {view.coverNote ? <Text style={{ marginTop: 10 }}>{view.coverNote}</Text> : null}
        {view.tiers
          .filter((tiers) => tiers.section === null)
          .map((tiers) => (
            <Levels key={tiers.id} tiers={tiers} />
          ))}
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
            {section.choice ? (
              <View style={styles.choice} wrap={false}>
                <Row
                  name={`${mark(section.choice.in)} Extra: all of it`}
                  detail={decideBy(section.choice.until)}
                  figures={[
                    section.choice.in
                      ? `${showDecimal(section.choice.difference)} in`
                      : signed(section.choice.difference),
                  ]}
                />
              </View>
            ) : null}
            {view.tiers
              .filter((tiers) => tiers.section === section.id)
              .map((tiers) => (
                <Levels key={tiers.id} tiers={tiers} />
              ))}
            {section.entries.map((entry) => (
              <Entry key={entry.id} entry={entry} />
            ))}
            {section.discount ? (
              <Row
                name={discountName(section.discountReason)}
                figures={[`−${showDecimal(section.discount)}`]}
              />
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
          {view.discount ? (
            <Row name={discountName(view.discountReason)} figures={[`−${showDecimal(view.discount)}`]} />
          ) : null}
          {view.fees.map((fee) => (
            <Row key={fee.id} name={fee.name} figures={[showDecimal(fee.amount)]} />
          ))}
          {view.shows === 'total' || view.taxInside ? null : <Taxes view={view} />}
          {view.exempt ? <Row name={`No tax: ${view.exempt}`} figures={['']} /> : null}
          <Row
            name={`Total in ${view.currency}${view.shows === 'total' ? ', including tax' : ''}`}
            figures={[showDecimal(view.total)]}
            sum
          />
          {view.shows !== 'total' && view.taxInside ? <Taxes view={view} /> : null}
        </View>
        {contract ? <EffectOn contract={contract} view={view} /> : null}
        {view.payments.length > 0 ? (
          <View wrap={false}>
            <Text style={styles.heading}>When you pay</Text>
            {view.payments.map((payment) => (
              <Row
                key={payment.id}
                name={payment.name}
                detail={whenDue(payment.due, payment.planned)}
                figures={[showDecimal(payment.amount)]}
              />
            ))}
            {billingInWords(view.billing).map((sentence) => (
              <Text key={sentence} style={styles.soft}>
                {sentence}
              </Text>
            ))}
          </View>
        ) : null}
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

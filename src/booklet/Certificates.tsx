import { showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import { DrawnSignature } from '@/ui/DrawnSignature';
import type { Certificate } from './types';

const names: Readonly<Record<Certificate['kind'], string>> = {
  proposal: 'Agreement',
  'change order': 'Change order',
  selections: 'Selections',
};

/** The moment of a signature in one form everywhere: it is a fact of the record, not of the reader's clock. */
const moment = (instant: string) => `${instant.slice(0, 10)} ${instant.slice(11, 19)} UTC`;

/** Who signed, how, when, from where, and what they agreed to. */
function Facts({ certificate: each }: { readonly certificate: Certificate }) {
  return (
    <dl className="facts">
      <dt>{each.kind === 'selections' ? 'Chosen' : 'Sum'}</dt>
      <dd>
        {showDecimal(each.total)} {each.currency}
      </dd>
      <dt>Signed by</dt>
      <dd>
        {each.signer}
        {each.signature.kind === 'told' &&
          `, who said yes ${each.signature.how} on ${showDate(each.signature.on)}`}
      </dd>
      {each.recordedBy && (
        <>
          <dt>Recorded by</dt>
          <dd>
            {each.recordedBy}
            {each.signature.kind === 'told' && each.signature.words && `: ${each.signature.words}`}
          </dd>
        </>
      )}
      {each.means && (
        <>
          <dt>Under</dt>
          <dd>
            {each.means.sentTo && each.means.sentAt
              ? `the private link sent to ${each.means.sentTo} on ${moment(each.means.sentAt)}`
              : 'a private link that was not sent as a letter'}
            {each.means.shownTo.length > 0 &&
              `; the link had also been shown to ${each.means.shownTo.join(', ')}`}
          </dd>
        </>
      )}
      <dt>On</dt>
      <dd>{moment(each.signedAt)}</dd>
      {each.from && (
        <>
          <dt>From</dt>
          <dd>
            {each.from}
            <span className="card-detail">{each.browser}</span>
          </dd>
        </>
      )}
      <dt>Choices</dt>
      <dd>{each.choices.length > 0 ? each.choices.join(', ') : 'as suggested'}</dd>
      <dt>Agreed to</dt>
      <dd>{each.consent}</dd>
    </dl>
  );
}

/** One signature with what proves it. */
function CertificateLeaf({
  certificate: each,
  statements,
}: {
  readonly certificate: Certificate;
  readonly statements: string;
}) {
  return (
    <section className="leaf certificate" id={each.sha256}>
      <div className="section-head">
        <h2>
          {names[each.kind]}: {each.title}
        </h2>
      </div>
      <p className={each.intact ? 'seal-good' : 'seal-broken'} role={each.intact ? undefined : 'alert'}>
        {each.intact
          ? '✓ What is stored is what was signed.'
          : '✗ What is stored is not what was signed any more: its fingerprint does not fit.'}
      </p>
      <Facts certificate={each} />
      {each.signature.kind === 'drawn' && (
        <DrawnSignature drawn={each.signature} signer={each.signer} className="drawn" />
      )}
      <p className="seal">
        Statement {each.sha256}
        <br />
        Frozen document {each.documentSha256}
      </p>
      <a href={`${statements}/${each.sha256}`} download>
        Keep the statement
      </a>{' '}
      · <a href={`/check?certificate=${each.sha256}`}>Check it</a>
    </section>
  );
}

/** Everything that was signed on an agreement, each with what proves it. */
export function Certificates({
  number,
  title,
  certificates,
  statements,
  back,
}: {
  number: number;
  title: string;
  certificates: readonly Certificate[];
  /** Where the statements can be taken from. */
  statements: string;
  back: string;
}) {
  return (
    <div className="booklet">
      <header className="leaf">
        <div className="from">Agreement {number}</div>
        <h1>What was signed</h1>
        <div className="soft">{title}</div>
        <p>
          Each signature is kept with a statement of everything that was signed, as it was read. The statement
          has a fingerprint (SHA-256): change one letter of it and the fingerprint is another. Keep the
          statement, and you can check it at <a href="/check">/check</a>, or with any program that reckons
          SHA-256.
        </p>
        <a href={back}>Back</a>
      </header>
      {certificates.length === 0 && (
        <section className="leaf">
          <p>This was signed before certificates were kept.</p>
        </section>
      )}
      {certificates.map((each) => (
        <CertificateLeaf key={each.sha256} certificate={each} statements={statements} />
      ))}
    </div>
  );
}

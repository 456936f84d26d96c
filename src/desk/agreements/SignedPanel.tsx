import Link from 'next/link';
import type { AgreementAtDesk } from '@/services/agreements/read';
import { showShortDate } from '@/core/text/dates';
import { DrawnSignature } from '@/ui/DrawnSignature';
import { showInstant } from '@/ui/instants';

/** Who signed the agreement, when and how, and the way to its proof. */
export function SignedPanel({
  agreement,
  timeZone,
}: {
  readonly agreement: AgreementAtDesk;
  readonly timeZone: string;
}) {
  const { signature, signerName } = agreement;
  return (
    <div className="panel above">
      <h2>Signed</h2>
      <p className="above-least">
        {signerName}, {showInstant(agreement.acceptedAt, timeZone)}
      </p>
      {signature.kind === 'drawn' && (
        <DrawnSignature drawn={signature} signer={signerName} className="signature-drawn" />
      )}
      <p className="soft">{agreement.consent}</p>
      {signature.kind === 'told' && (
        <p>
          Said yes {signature.how} on {showShortDate(signature.on)}
          {signature.words && `: ${signature.words}`}
        </p>
      )}
      <p className="seal">SHA-256 {agreement.revisionSha256}</p>
      <p>
        <Link href={`/agreements/${agreement.id}/certificate`} prefetch={false}>
          Everything that was signed, and its proof
        </Link>
      </p>
      <Link href={`/proposals/${agreement.proposalId}`} prefetch={false}>
        The proposal
      </Link>
    </div>
  );
}

'use client';

import { Button } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { Answer } from '@/model';
import type { ChargeRow, PlayInput } from '@/services/payments/cards';
import { showDecimal } from '@/core/number';
import { showInstant } from '@/ui/instants';
import { useSubmit } from '@/ui/useSubmit';
import '../billing/billing.css';

type Kind = PlayInput['kind'];

const words: Readonly<Record<ChargeRow['standing']['state'], string>> = {
  asked: 'asked, no answer',
  accepted: 'accepted',
  refused: 'refused',
  'needs confirmation': 'the bank wants a code',
  delayed: 'the bank answers later',
  disputed: 'disputed by the card’s holder: the payment was returned',
  'dispute won': 'dispute won: the payment stands again',
  'dispute lost': 'dispute lost',
};

/** What the bank could say next. */
const next: Partial<Record<ChargeRow['standing']['state'], readonly (readonly [Kind, string])[]>> = {
  delayed: [
    ['accepted', 'Accept'],
    ['refused', 'Refuse'],
  ],
  accepted: [['disputed', 'Dispute']],
  disputed: [
    ['dispute won', 'We win'],
    ['dispute lost', 'We lose'],
  ],
};

/** The stand-in of the card service: what was asked, and what the bank says to it when you let it. */
export function CardService({
  charges,
  timeZone,
  play,
}: {
  charges: readonly ChargeRow[];
  timeZone: string;
  play: (input: { chargeId: string; kind: Kind }) => Promise<Answer<unknown>>;
}) {
  const { submit } = useSubmit({ tells: true });
  const [busy, setBusy] = useState<string | null>(null);
  const say = async (chargeId: string, kind: Kind) => {
    setBusy(chargeId);
    await submit(() => play({ chargeId, kind }));
    setBusy(null);
  };
  return (
    <ul className="card-charges">
      {charges.map(({ id, at, amount, currency, lastFour, invoiceId, invoiceNumber, standing }) => (
        <li key={id}>
          <span className="soft">{showInstant(at.toISOString(), timeZone)}</span>
          <span>
            Card ending {lastFour},{' '}
            <Link className="link-in-text" href={`/money/${invoiceId}`}>
              invoice {invoiceNumber}
            </Link>
            : {words[standing.state]}
            {standing.state === 'refused' && standing.reason ? `. ${standing.reason}` : ''}
          </span>
          <span className="amount">
            {showDecimal(amount)} {currency}
          </span>
          <span className="card-next">
            {(next[standing.state] ?? []).map(([kind, label]) => (
              <Button
                key={kind}
                size="small"
                loading={busy === id}
                onClick={() => void say(id, kind)}
                aria-label={`${label}: card ending ${lastFour}, ${showDecimal(amount)}`}
              >
                {label}
              </Button>
            ))}
          </span>
        </li>
      ))}
    </ul>
  );
}

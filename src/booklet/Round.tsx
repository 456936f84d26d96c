'use client';

import { useState } from 'react';
import type { RoundChosen } from '@/core/allowance/roundChosen';
import { roundChosen } from '@/core/allowance/roundChosen';
import { withTax } from '@/core/customerView';
import { minorDigits, moneyOf, writeAmount } from '@/core/number';
import { showDate } from '@/core/text/dates';
import type { CustomerBasis } from '@/model/customerView';
import { leftInWords } from './leftInWords';
import { post } from './post';
import { RoundCards } from './RoundCards';
import { SignForm } from './SignForm';
import type { AllowanceShown, AllowanceTaxes, RoundShown } from './types';
import type { PicksOnTheirWay } from './useRoundChoices';
import { useRoundChoices } from './useRoundChoices';

interface RoundProps {
  readonly allowance: AllowanceShown;
  readonly round: RoundShown;
  readonly address: string | null;
  readonly consent: string;
  readonly files: string;
  readonly currency: string;
  readonly basis: CustomerBasis;
  readonly taxes: AllowanceTaxes;
  readonly picks: PicksOnTheirWay;
}

/** What the round comes to, what is left of the allowance after it, and what is added to the price. */
function RoundSums({
  chosen: { figures, spend, left, due },
  digits,
  allowance,
  basis,
  taxes,
}: Pick<RoundProps, 'allowance' | 'basis' | 'taxes'> & {
  readonly chosen: RoundChosen;
  readonly digits: number;
}) {
  const money = moneyOf(digits);
  return (
    <dl className="sums">
      <dt>Chosen in this round</dt>
      <dd data-testid="round-chosen">{money.show(figures.chosen)}</dd>
      <dt>Of the {money.show(spend)} allowance, then</dt>
      <dd>{leftInWords(writeAmount(left, digits))}</dd>
      {due !== null && (
        <>
          {basis === 'before tax' && (
            <>
              <dt>Added to the price, before tax</dt>
              <dd>{money.show(due)}</dd>
            </>
          )}
          <dt>Added to the price{basis === 'no tax' ? '' : ', with tax'}</dt>
          <dd data-testid="round-added">{money.show(withTax(due, allowance.taxClass, taxes))}</dd>
        </>
      )}
    </dl>
  );
}

/** One round to choose in: cards with what each comes to, what is left after it, and the signature. */
export function Round(props: RoundProps) {
  const { allowance, round, address, consent, currency } = props;
  const { choices, choose, others, sent } = useRoundChoices(round, address, props.picks);
  const [signing, setSigning] = useState(false);
  const digits = minorDigits(currency);
  const { document } = round;
  const chosen = roundChosen(allowance, document, choices, digits);
  const { figures } = chosen;
  return (
    <div className="round">
      <h3>{document.name}</h3>
      {document.detail && <p className="card-detail">{document.detail}</p>}
      {document.due && (
        <p className={round.late ? 'card-hindrance' : 'card-detail'}>
          {round.late ? 'Was to be chosen by' : 'To choose by'} {showDate(document.due)}
        </p>
      )}
      <RoundCards
        allowance={allowance}
        round={round}
        figures={figures}
        choices={choices}
        files={props.files}
        digits={digits}
        choose={address ? choose : null}
      />
      {others && (
        <p className="card-hindrance" role="status">
          Somebody else with this link chose just now. This is how it stands.
        </p>
      )}
      <RoundSums
        chosen={chosen}
        digits={digits}
        allowance={allowance}
        basis={props.basis}
        taxes={props.taxes}
      />
      {signing ? (
        <SignForm
          consent={consent}
          says="Choose and sign"
          waiting={!address}
          sign={async (signed) => {
            await sent();
            return post(`${address}/rounds/sign`, {
              roundId: round.id,
              saveNumber: round.saveNumber,
              choices,
              chosen: writeAmount(figures.chosen, digits),
              ...signed,
            });
          }}
          done={() => window.location.reload()}
        />
      ) : (
        <button
          type="button"
          className="button button-main"
          disabled={!address}
          onClick={() => setSigning(true)}
        >
          Sign for {moneyOf(digits).show(figures.chosen)}
        </button>
      )}
    </div>
  );
}

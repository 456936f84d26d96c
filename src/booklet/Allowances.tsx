'use client';

import { withTax } from '@/core/customerView';
import { isNothing, minorDigits, parseAmount, showAmount, showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import { leftInWords } from './leftInWords';
import type { PicksOnTheirWay } from './useRoundChoices';
import { Round } from './Round';
import type { CustomerBasis } from '@/model/customerView';
import type { AllowanceShown, AllowancesShown, AllowanceTaxes } from './types';

/** Money set aside: what is chosen, what is left, and the rounds in which something is to be chosen. */
export function Allowances({
  allowances,
  address,
  consent,
  files,
  currency,
  basis,
  taxes,
  picks,
}: {
  allowances: AllowancesShown;
  basis: CustomerBasis;
  taxes: AllowanceTaxes;
  picks: PicksOnTheirWay;
  address: string | null;
  consent: string;
  files: string;
  currency: string;
}) {
  const open = allowances.each.filter(({ settledBy }) => settledBy === null);
  const digits = minorDigits(currency);
  /** What is added to the price, on the basis of the page. */
  const added = (due: string, { taxClass }: AllowanceShown) => {
    const net = parseAmount(due, digits);
    return basis === 'with tax' ? showAmount(withTax(net, taxClass, taxes), digits) : showAmount(net, digits);
  };
  return (
    <section className="leaf" id="choose">
      <h2>Allowances</h2>
      <p className="soft">
        An allowance is money in the price for something you have not chosen yet. What you choose settles it.
      </p>
      {basis === 'with tax' && !taxes.tax?.inside && (
        <p className="soft">
          What you may spend and what you choose is before tax; what it adds to the price is shown with tax.
        </p>
      )}
      {open.length > 1 && (
        <p className="allowances-sum">
          In all {showDecimal(allowances.spend)} to spend, {showDecimal(allowances.chosen)} chosen,{' '}
          <strong>{leftInWords(allowances.left)}</strong>.
        </p>
      )}
      {allowances.each.map((each) => (
        <div key={each.lineId} className="allowance">
          <div className="item">
            <span>
              <strong>{each.description}</strong>
              <span className="card-detail">{each.words}</span>
            </span>
            <span className="item-amount">{leftInWords(each.left)}</span>
          </div>
          <Meter allowance={each} />
          {each.settledBy !== null && (
            <p className="card-detail">Settled with change order {each.settledBy}; nothing is left of it.</p>
          )}
          {each.settledBy === null && each.rounds.length === 0 && (
            <p className="card-detail">We will ask you in good time.</p>
          )}
          {each.rounds.map((round) =>
            round.signed ? (
              <div key={round.id} className="item round-signed">
                <span>
                  {round.document.name}
                  <span className="card-detail">
                    Signed by {round.signed.by} on {showDate(round.signed.on)}
                    {isNothing(round.signed.adjustment)
                      ? ''
                      : `; it changes the price by ${added(round.signed.adjustment, each)}${basis === 'before tax' ? ' before tax' : ''}`}
                  </span>
                </span>
                <span className="item-amount">{showDecimal(round.signed.chosen)}</span>
              </div>
            ) : (
              <Round
                key={`${round.id} ${round.saveNumber}`}
                allowance={each}
                round={round}
                address={address}
                consent={consent}
                files={files}
                currency={currency}
                basis={basis}
                taxes={taxes}
                picks={picks}
              />
            ),
          )}
        </div>
      ))}
    </section>
  );
}

/** How much of an allowance is chosen; its figures are in text beside it. */
function Meter({ allowance: { spend, chosen, settledBy } }: { allowance: AllowanceShown }) {
  if (settledBy !== null) return null;
  const [of, is] = [Number(spend), Number(chosen)];
  const whole = Math.max(of, is, 0.01);
  return (
    <div className="meter" aria-hidden="true">
      <div className={is > of ? 'meter-over' : ''} style={{ width: `${(is / whole) * 100}%` }} />
      {is > of && <div className="meter-mark" style={{ left: `${(of / whole) * 100}%` }} />}
    </div>
  );
}

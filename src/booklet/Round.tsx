'use client';

import { useRef, useState } from 'react';
import { quantityOf, roundFigures } from '@/core/allowance/round';
import { dueToDate } from '@/core/allowance/settle';
import { termsOf } from '@/core/allowance/terms';
import { withAlternative, withExtra } from '@/core/choice/differencesBy';
import { withTax } from '@/core/customerView';
import type { Amount } from '@/core/number';
import {
  minorDigits,
  moneyOf,
  parseAmount,
  parseFixed,
  showAmount,
  subtractAmounts,
  writeAmount,
} from '@/core/number';
import { showDate } from '@/core/text/dates';
import type { Choices } from '@/model/choices';
import type { CustomerBasis } from '@/model/customerView';
import { unitName } from '@/model/units';
import { leftInWords } from './leftInWords';
import { Picture } from './Picture';
import { post } from './post';
import { SignForm } from './SignForm';
import { Stepper } from './Stepper';
import type { AllowanceShown, AllowanceTaxes, RoundShown } from './types';

/** Told of each pick that is sent, and of its answer. */
export type PicksOnTheirWay = (now: 'sent' | 'answered') => void;

/** Two sets of choices in content, whatever the order of their parts. */
function alike(one: Choices, other: Choices): boolean {
  const text = ({ extras, questions }: Choices) =>
    JSON.stringify([
      Object.entries(questions).sort(),
      Object.entries(extras)
        .map(([id, { in: taken, quantity }]) => [id, taken, quantity ?? null])
        .sort(),
    ]);
  return text(one) === text(other);
}

/** One round to choose in: cards with what each comes to, what is left after it, and the signature. */
export function Round({
  allowance,
  round,
  address,
  consent,
  files,
  currency,
  basis,
  taxes,
  picks,
}: {
  allowance: AllowanceShown;
  round: RoundShown;
  address: string | null;
  consent: string;
  files: string;
  currency: string;
  basis: CustomerBasis;
  taxes: AllowanceTaxes;
  picks: PicksOnTheirWay;
}) {
  const [choices, setChoices] = useState(round.choices);
  // What came to the page last; what is another is what somebody else picked, or we sent ourselves.
  const [came, setCame] = useState(round.choices);
  const [others, setOthers] = useState(false);
  if (came !== round.choices) {
    setCame(round.choices);
    if (!alike(round.choices, choices)) {
      setChoices(round.choices);
      setOthers(true);
    }
  }
  const [signing, setSigning] = useState(false);
  const sending = useRef(Promise.resolve());
  const digits = minorDigits(currency);
  const { document } = round;
  const figures = roundFigures(document, choices, {
    quantity: parseFixed(allowance.quantity),
    minorDigits: digits,
  });
  const money = moneyOf(digits);
  const spend = parseAmount(allowance.spend, digits);
  const chosen = (parseAmount(allowance.chosen, digits) + figures.chosen) as Amount;
  const due = chosen > spend ? dueToDate(termsOf(allowance.terms, spend), chosen) : null;

  // What was tapped last is what is kept; the signature carries it in any case.
  const choose = (next: Choices) => {
    setChoices(next);
    setOthers(false);
    if (!address) return;
    const { id: roundId, saveNumber } = round;
    picks('sent');
    sending.current = sending.current.then(async () => {
      await post(`${address}/rounds/choices`, { roundId, saveNumber, choices: next });
      picks('answered');
    });
  };

  return (
    <div className="round">
      <h3>{document.name}</h3>
      {document.detail && <p className="card-detail">{document.detail}</p>}
      {document.due && (
        <p className={round.late ? 'card-hindrance' : 'card-detail'}>
          {round.late ? 'Was to be chosen by' : 'To choose by'} {showDate(document.due)}
        </p>
      )}
      {document.questions.map((question, q) => (
        <fieldset key={question.id} className="decide" disabled={!address}>
          <legend>
            <span className="decide-who">You choose</span>
            <span className="decide-what">{question.prompt}</span>
            {question.detail && <span className="card-detail">{question.detail}</span>}
          </legend>
          {question.alternatives.map((alternative, i) => {
            const offered = figures.questions[q]!.alternatives[i]!;
            return (
              <label key={alternative.id} className={offered.picked ? 'card card-picked' : 'card'}>
                <input
                  type="radio"
                  name={`${round.id} ${question.id}`}
                  checked={offered.picked}
                  onChange={() => choose(withAlternative(choices, question.id, alternative.id))}
                />
                <Picture files={files} picture={alternative.picture} />
                <span className="card-text">
                  <span className="card-name">{alternative.name}</span>
                  {alternative.detail && <span className="card-detail">{alternative.detail}</span>}
                  {alternative.per === 'unit' && (
                    <span className="card-detail">
                      {showAmount(parseAmount(alternative.price, digits), digits)}{' '}
                      {allowance.unit === 'each' ? 'each' : `per ${unitName(allowance.unit)}`}
                    </span>
                  )}
                </span>
                <span className="card-price">{money.show(offered.amount)}</span>
              </label>
            );
          })}
          {question.none && (
            <label
              className={
                figures.questions[q]!.alternatives.some(({ picked }) => picked) ? 'card' : 'card card-picked'
              }
            >
              <input
                type="radio"
                name={`${round.id} ${question.id}`}
                checked={!figures.questions[q]!.alternatives.some(({ picked }) => picked)}
                onChange={() => choose(withAlternative(choices, question.id, 'none'))}
              />
              <span className="card-text">
                <span className="card-name">{question.none.name}</span>
              </span>
            </label>
          )}
        </fieldset>
      ))}
      {document.extras.map((extra, i) => {
        const offered = figures.extras[i]!;
        return (
          <div key={extra.id} className="decide">
            <label className={offered.picked ? 'card card-picked' : 'card'}>
              <input
                type="checkbox"
                checked={offered.picked}
                disabled={!address}
                onChange={({ target }) =>
                  choose(withExtra(choices, extra.id, target.checked, choices.extras[extra.id]?.quantity))
                }
              />
              <Picture files={files} picture={extra.picture} />
              <span className="card-text">
                <span className="decide-who">Extra, you choose</span>
                <span className="card-name">{extra.name}</span>
                {extra.detail && <span className="card-detail">{extra.detail}</span>}
              </span>
              <span className="card-price">{money.show(offered.amount)}</span>
            </label>
            {offered.picked && extra.quantity && (
              <Stepper
                name={extra.name}
                quantity={quantityOf(extra, choices)!}
                limits={extra.quantity}
                unit=""
                set={address ? (quantity) => choose(withExtra(choices, extra.id, true, quantity)) : null}
              />
            )}
          </div>
        );
      })}
      {others && (
        <p className="card-hindrance" role="status">
          Somebody else with this link chose just now. This is how it stands.
        </p>
      )}
      <dl className="sums">
        <dt>Chosen in this round</dt>
        <dd data-testid="round-chosen">{money.show(figures.chosen)}</dd>
        <dt>Of the {money.show(spend)} allowance, then</dt>
        <dd>{leftInWords(writeAmount(subtractAmounts(spend, chosen), digits))}</dd>
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
      {signing ? (
        <SignForm
          consent={consent}
          says="Choose and sign"
          waiting={!address}
          sign={async (signed) => {
            await sending.current;
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
          Sign for {money.show(figures.chosen)}
        </button>
      )}
    </div>
  );
}

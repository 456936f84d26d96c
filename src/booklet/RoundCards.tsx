import type { RoundFigures } from '@/core/allowance/round';
import { quantityOf } from '@/core/allowance/round';
import { withAlternative, withExtra } from '@/core/choice/differencesBy';
import { moneyOf, parseAmount, showAmount } from '@/core/number';
import type { Choices } from '@/model/choices';
import { perUnit } from '@/model/units';
import { Picture } from './Picture';
import { Stepper } from './Stepper';
import type { AllowanceShown, RoundShown } from './types';

interface CardsProps {
  readonly allowance: AllowanceShown;
  readonly round: RoundShown;
  readonly figures: RoundFigures;
  readonly choices: Choices;
  readonly files: string;
  readonly digits: number;
  /** Null where nothing can be chosen. */
  readonly choose: ((next: Choices) => void) | null;
}

const cardClass = (picked: boolean) => (picked ? 'card card-picked' : 'card');

/** The questions of a round: one of several, each with what it comes to. */
function Questions({ allowance, round, figures, choices, files, digits, choose }: CardsProps) {
  const money = moneyOf(digits);
  return round.document.questions.map((question, q) => {
    const { alternatives } = figures.questions[q]!;
    const pick = (id: string) => choose?.(withAlternative(choices, question.id, id));
    const noneIsPicked = alternatives.every(({ picked }) => !picked);
    return (
      <fieldset key={question.id} className="decide" disabled={!choose}>
        <legend>
          <span className="decide-who">You choose</span>
          <span className="decide-what">{question.prompt}</span>
          {question.detail && <span className="card-detail">{question.detail}</span>}
        </legend>
        {question.alternatives.map((alternative, i) => (
          <label key={alternative.id} className={cardClass(alternatives[i]!.picked)}>
            <input
              type="radio"
              name={`${round.id} ${question.id}`}
              checked={alternatives[i]!.picked}
              onChange={() => pick(alternative.id)}
            />
            <Picture files={files} picture={alternative.picture} />
            <span className="card-text">
              <span className="card-name">{alternative.name}</span>
              {alternative.detail && <span className="card-detail">{alternative.detail}</span>}
              {alternative.per === 'unit' && (
                <span className="card-detail">
                  {showAmount(parseAmount(alternative.price, digits), digits)} {perUnit(allowance.unit)}
                </span>
              )}
            </span>
            <span className="card-price">{money.show(alternatives[i]!.amount)}</span>
          </label>
        ))}
        {question.none && (
          <label className={cardClass(noneIsPicked)}>
            <input
              type="radio"
              name={`${round.id} ${question.id}`}
              checked={noneIsPicked}
              onChange={() => pick('none')}
            />
            <span className="card-text">
              <span className="card-name">{question.none.name}</span>
            </span>
          </label>
        )}
      </fieldset>
    );
  });
}

/** The extras of a round: each in or not, with its quantity where that is to be set. */
function Extras({ round, figures, choices, files, digits, choose }: CardsProps) {
  const money = moneyOf(digits);
  return round.document.extras.map((extra, i) => {
    const offered = figures.extras[i]!;
    const set = (taken: boolean, quantity?: string) =>
      choose?.(withExtra(choices, extra.id, taken, quantity));
    return (
      <div key={extra.id} className="decide">
        <label className={cardClass(offered.picked)}>
          <input
            type="checkbox"
            checked={offered.picked}
            disabled={!choose}
            onChange={({ target }) => set(target.checked, choices.extras[extra.id]?.quantity)}
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
            set={choose ? (quantity) => set(true, quantity) : null}
          />
        )}
      </div>
    );
  });
}

/** Everything that can be chosen in a round, as cards with what each comes to. */
export function RoundCards(props: CardsProps) {
  return (
    <>
      <Questions {...props} />
      <Extras {...props} />
    </>
  );
}

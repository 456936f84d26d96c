'use client';

import type { Fixed } from '@/core/number';
import { parseFixed, showDecimal, writeFixed } from '@/core/number';
import type { Choices } from '@/model/choices';
import type {
  CustomerView,
  CustomerEntry,
  CustomerExtra,
  CustomerQuestion,
  CustomerSection,
} from '@/model/customerView';
import { unitName } from '@/model/units';

/** Changes the choices; null where nothing can be chosen. The change is put on whatever was chosen last. */
export type Choose = ((change: (choices: Choices) => Choices) => void) | null;

const signed = (decimal: string) =>
  decimal.startsWith('-') ? showDecimal(decimal) : `+ ${showDecimal(decimal)}`;

function Question({
  question,
  choices,
  choose,
}: {
  question: CustomerQuestion;
  choices: Choices;
  choose: Choose;
}) {
  // What was tapped shows at once; amounts follow with the answer.
  const tapped = choices.questions[question.id];
  const isPicked = ({ id, picked }: { id: string; picked: boolean }) =>
    tapped === undefined ? picked : tapped === id;
  return (
    <fieldset className="decide" disabled={!choose}>
      <legend>
        <span className="decide-who">You choose</span>
        <span className="decide-what">{question.prompt}</span>
      </legend>
      {question.alternatives.map((alternative) => (
        <label key={alternative.id} className={`card ${isPicked(alternative) ? 'card-picked' : ''}`}>
          <input
            type="radio"
            name={question.id}
            checked={isPicked(alternative)}
            onChange={() =>
              choose?.((before) => ({
                ...before,
                questions: { ...before.questions, [question.id]: alternative.id },
              }))
            }
          />
          <span className="card-text">
            <span className="card-name">{alternative.name}</span>
            {alternative.detail && <span className="card-detail">{alternative.detail}</span>}
          </span>
          <span className="card-price">
            {alternative.picked
              ? alternative.amount
                ? showDecimal(alternative.amount)
                : 'included'
              : signed(alternative.difference)}
          </span>
        </label>
      ))}
    </fieldset>
  );
}

/** The next quantity on the steps between the limits. */
function step(quantity: string, limits: NonNullable<CustomerExtra['limits']>, by: 1 | -1): string | null {
  const next = parseFixed(quantity) + BigInt(by) * parseFixed(limits.step);
  if (next < parseFixed(limits.minimum) || next > parseFixed(limits.maximum)) return null;
  return writeFixed(next as Fixed);
}

function Extra({ extra, choices, choose }: { extra: CustomerExtra; choices: Choices; choose: Choose }) {
  const decided = choices.extras[extra.id];
  const isIn = decided?.in ?? extra.in;
  const quantity = decided?.quantity ?? extra.chosenQuantity;
  const decide = (taken: boolean, wanted?: string) =>
    choose?.((before) => {
      const kept = wanted ?? before.extras[extra.id]?.quantity;
      return {
        ...before,
        extras: {
          ...before.extras,
          [extra.id]: kept === undefined ? { in: taken } : { in: taken, quantity: kept },
        },
      };
    });
  const stepper = (by: 1 | -1) => {
    const next = extra.limits && step(quantity, extra.limits, by);
    return (
      <button
        type="button"
        className="step-button"
        aria-label={by === 1 ? `One more ${extra.description}` : `One fewer ${extra.description}`}
        disabled={!choose || next === null}
        onClick={() => next !== null && decide(true, next)}
      >
        {by === 1 ? '+' : '−'}
      </button>
    );
  };
  return (
    <div className="decide">
      <label className={`card ${isIn ? 'card-picked' : ''}`}>
        <input
          type="checkbox"
          checked={isIn}
          disabled={!choose}
          onChange={({ target }) => decide(target.checked)}
        />
        <span className="card-text">
          <span className="decide-who">Extra, you choose</span>
          <span className="card-name">{extra.description}</span>
          {extra.detail && <span className="card-detail">{extra.detail}</span>}
        </span>
        <span className="card-price">
          {extra.in ? `${showDecimal(extra.difference)} in` : signed(extra.difference)}
        </span>
      </label>
      {isIn && extra.limits && (
        <div className="stepper">
          {stepper(-1)}
          <span>
            {showDecimal(quantity)} {unitName(extra.unit)}
          </span>
          {stepper(1)}
        </div>
      )}
    </div>
  );
}

function Entry({ entry, ...rest }: { entry: CustomerEntry; choices: Choices; choose: Choose }) {
  if (entry.kind === 'question') return <Question question={entry} {...rest} />;
  if (entry.kind === 'extra') return <Extra extra={entry} {...rest} />;
  return (
    <div className="item">
      <span>
        {entry.description}
        {entry.detail && <span className="card-detail">{entry.detail}</span>}
        {entry.quantity && (
          <span className="card-detail">
            {showDecimal(entry.quantity)} {unitName(entry.unit)}
            {entry.unitPrice && ` at ${showDecimal(entry.unitPrice)}`}
            {entry.discount && `, less ${showDecimal(entry.discount)}`}
            {entry.minimum && ', minimum charge'}
          </span>
        )}
        {entry.parts.length > 0 && (
          <ul className="parts">
            {entry.parts.map((part) => (
              <li key={part.id}>
                <span>
                  {part.description}
                  {part.quantity && `, ${showDecimal(part.quantity)} ${unitName(part.unit)}`}
                  {part.unitPrice && ` at ${showDecimal(part.unitPrice)}`}
                  {part.discount && `, less ${showDecimal(part.discount)}`}
                  {part.minimum && ', minimum charge'}
                </span>
                {part.amount && <span>{showDecimal(part.amount)}</span>}
              </li>
            ))}
          </ul>
        )}
      </span>
      {entry.amount && <span className="item-amount">{showDecimal(entry.amount)}</span>}
    </div>
  );
}

/** One section of the work: its price, its words, what is in it, and what the customer decides about it. */
export function Section({
  section,
  shows,
  choices,
  choose,
}: {
  section: CustomerSection;
  shows: CustomerView['shows'];
  choices: Choices;
  choose: Choose;
}) {
  const plain = section.entries.filter(({ kind }) => kind === 'line');
  const decisions = section.entries.filter(({ kind }) => kind !== 'line');
  const listed = shows === 'lines' || shows === 'prices';
  return (
    <section className="leaf">
      <div className="section-head">
        <h2>{section.title}</h2>
        {section.amount && <span className="section-amount">{showDecimal(section.amount)}</span>}
      </div>
      {section.text && <p>{section.text}</p>}
      {listed
        ? plain.map((entry) => <Entry key={entry.id} entry={entry} choices={choices} choose={choose} />)
        : plain.length > 0 && (
            <p className="soft contents">
              {plain.map((entry) => (entry.kind === 'line' ? entry.description : '')).join(' · ')}
            </p>
          )}
      {decisions.map((entry) => (
        <Entry key={entry.id} entry={entry} choices={choices} choose={choose} />
      ))}
      {section.discount && (
        <div className="item">
          <span>Discount</span>
          <span className="item-amount">−{showDecimal(section.discount)}</span>
        </div>
      )}
    </section>
  );
}

'use client';

import { showDecimal } from '@/core/number';
import type { Choices } from '@/model/choices';
import type {
  CustomerView,
  CustomerEntry,
  CustomerExtra,
  CustomerQuestion,
  CustomerSection,
} from '@/model/customerView';
import { unitName } from '@/model/units';

type Choose = ((choices: Choices) => void) | null;

const signed = (decimal: string) =>
  decimal.startsWith('-') ? showDecimal(decimal) : `+ ${showDecimal(decimal)}`;

function Question({
  question,
  choices,
  choose,
  busy,
}: {
  question: CustomerQuestion;
  choices: Choices;
  choose: Choose;
  busy: boolean;
}) {
  return (
    <fieldset className="decide" disabled={!choose || busy}>
      <legend>
        <span className="decide-who">You choose</span>
        <span className="decide-what">{question.prompt}</span>
      </legend>
      {question.alternatives.map((alternative) => (
        <label key={alternative.id} className={`card ${alternative.picked ? 'card-picked' : ''}`}>
          <input
            type="radio"
            name={question.id}
            checked={alternative.picked}
            onChange={() =>
              choose?.({ ...choices, questions: { ...choices.questions, [question.id]: alternative.id } })
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

/** The next quantity on the steps between the limits. Steps are counted in millionths, so that 0.1 is exactly a tenth. */
function step(extra: CustomerExtra, by: 1 | -1): string | null {
  const limits = extra.limits!;
  const millionths = (text: string) => Math.round(Number(text) * 1e6);
  const next = millionths(extra.chosenQuantity) + by * millionths(limits.step);
  if (next < millionths(limits.minimum) || next > millionths(limits.maximum)) return null;
  return String(next / 1e6);
}

function Extra({
  extra,
  choices,
  choose,
  busy,
}: {
  extra: CustomerExtra;
  choices: Choices;
  choose: Choose;
  busy: boolean;
}) {
  const decide = (taken: boolean, quantity?: string) => {
    const kept = quantity ?? choices.extras[extra.id]?.quantity;
    choose?.({
      ...choices,
      extras: {
        ...choices.extras,
        [extra.id]: kept === undefined ? { in: taken } : { in: taken, quantity: kept },
      },
    });
  };
  const stepper = (by: 1 | -1) => {
    const next = step(extra, by);
    return (
      <button
        type="button"
        className="step-button"
        aria-label={by === 1 ? `One more ${extra.description}` : `One fewer ${extra.description}`}
        disabled={!choose || busy || next === null}
        onClick={() => next !== null && decide(true, next)}
      >
        {by === 1 ? '+' : '−'}
      </button>
    );
  };
  return (
    <div className="decide">
      <label className={`card ${extra.in ? 'card-picked' : ''}`}>
        <input
          type="checkbox"
          checked={extra.in}
          disabled={!choose || busy}
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
      {extra.in && extra.limits && (
        <div className="stepper">
          {stepper(-1)}
          <span>
            {showDecimal(extra.chosenQuantity)} {unitName(extra.unit)}
          </span>
          {stepper(1)}
        </div>
      )}
    </div>
  );
}

function Entry({
  entry,
  ...rest
}: {
  entry: CustomerEntry;
  choices: Choices;
  choose: Choose;
  busy: boolean;
}) {
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
          </span>
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
  busy,
}: {
  section: CustomerSection;
  shows: CustomerView['shows'];
  choices: Choices;
  choose: Choose;
  busy: boolean;
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
        ? plain.map((entry) => (
            <Entry key={entry.id} entry={entry} choices={choices} choose={choose} busy={busy} />
          ))
        : plain.length > 0 && (
            <p className="soft contents">
              {plain.map((entry) => (entry.kind === 'line' ? entry.description : '')).join(' · ')}
            </p>
          )}
      {decisions.map((entry) => (
        <Entry key={entry.id} entry={entry} choices={choices} choose={choose} busy={busy} />
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

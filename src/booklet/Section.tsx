'use client';

import type { ReactNode } from 'react';
import { discountName } from '@/core/text/discountName';
import { showDecimal } from '@/core/number';
import type { Choices } from '@/model/choices';
import { withAlternative, withExtra } from '@/core/choice/differencesBy';
import { showDate } from '@/core/text/dates';
import type {
  CustomerView,
  CustomerEntry,
  CustomerExtra,
  CustomerQuestion,
  CustomerSection,
  Way,
} from '@/model/customerView';
import { unitAfter } from '@/model/units';
import { Picture } from './Picture';
import { signed } from './signed';
import { Stepper } from './Stepper';

/** Changes the choices; null where nothing can be chosen. The change is put on whatever was chosen last. */
export type Choose = ((change: (choices: Choices) => Choices) => void) | null;

/** Where the booklet's files are served. */
export interface Chooser {
  readonly choose: Choose;
  readonly files: string;
}

/** Until when it can be decided, and why it cannot be as things stand. */
export function CardNotes({ until, hindrance }: { until?: string | null; hindrance: string | null }) {
  return (
    <>
      {hindrance && <span className="card-hindrance">{hindrance}</span>}
      {until && !hindrance && <span className="card-detail">To decide by {showDate(until)}</span>}
    </>
  );
}

/** The way to something that rules are against: one press takes it, with what else has to change. */
export function WayButton({ name, way, choose }: { name: string; way: Way | null; choose: Choose }) {
  if (!way || !choose) return null;
  return (
    <button type="button" className="link-button card-way" onClick={() => choose(() => way.choices)}>
      Choose {name}
      {way.words.length > 0 && `, ${way.words.join(', ')}`}
    </button>
  );
}

function Question({ question, choose, files }: Chooser & { question: CustomerQuestion }) {
  return (
    <fieldset className="decide" disabled={!choose}>
      <legend>
        <span className="decide-who">You choose</span>
        <span className="decide-what">{question.prompt}</span>
        {question.detail && <span className="card-detail">{question.detail}</span>}
        {question.until && <span className="card-detail">To decide by {showDate(question.until)}</span>}
      </legend>
      {question.alternatives.map((alternative) => (
        <label
          key={alternative.id}
          className={`card ${alternative.picked ? 'card-picked' : ''} ${alternative.hindrance ? 'card-out' : ''}`}
        >
          <input
            type="radio"
            name={question.id}
            checked={alternative.picked}
            disabled={!choose || alternative.hindrance !== null}
            onChange={() => choose?.((before) => withAlternative(before, question.id, alternative.id))}
          />
          <Picture files={files} picture={alternative.picture} />
          <span className="card-text">
            <span className="card-name">
              {alternative.name}
              {alternative.recommended && <span className="card-advice">We recommend this</span>}
            </span>
            {alternative.recommended && question.reason && (
              <span className="card-reason">{question.reason}</span>
            )}
            {alternative.detail && <span className="card-detail">{alternative.detail}</span>}
            <CardNotes hindrance={alternative.hindrance} />
          </span>
          <span className="card-price">
            {alternative.picked
              ? alternative.amount
                ? showDecimal(alternative.amount)
                : 'as it is'
              : signed(alternative.difference)}
          </span>
        </label>
      ))}
      {question.alternatives.map(({ id, name, way }) => (
        <WayButton key={id} name={`“${name}”`} way={way} choose={choose} />
      ))}
    </fieldset>
  );
}

function Extra({ extra, choose, files }: Chooser & { extra: CustomerExtra }) {
  const decide = (taken: boolean, quantity?: string) =>
    choose?.((before) => withExtra(before, extra.id, taken, quantity));
  return (
    <div className="decide">
      <label className={`card ${extra.in ? 'card-picked' : ''} ${extra.hindrance ? 'card-out' : ''}`}>
        <input
          type="checkbox"
          checked={extra.in}
          disabled={!choose || extra.hindrance !== null}
          onChange={({ target }) => decide(target.checked)}
        />
        <Picture files={files} picture={extra.picture} />
        <span className="card-text">
          <span className="decide-who">Extra, you choose</span>
          <span className="card-name">{extra.description}</span>
          {extra.detail && <span className="card-detail">{extra.detail}</span>}
          {extra.allowance && <span className="card-detail">{extra.allowance}</span>}
          <CardNotes until={extra.until} hindrance={extra.hindrance} />
        </span>
        <span className="card-price">
          {extra.in ? `${showDecimal(extra.difference)} in` : signed(extra.difference)}
        </span>
      </label>
      <WayButton
        name={`${extra.in ? 'without ' : ''}“${extra.description}”`}
        way={extra.way}
        choose={choose}
      />
      {extra.in && extra.limits && (
        <Stepper
          name={extra.description}
          quantity={extra.chosenQuantity}
          limits={extra.limits}
          unit={extra.unit}
          set={choose && ((quantity) => decide(true, quantity))}
        />
      )}
    </div>
  );
}

/** The whole section may be left out. */
function SectionChoice({ section, choose }: { section: CustomerSection; choose: Choose }) {
  const { choice } = section;
  if (!choice) return null;
  return (
    <div className="decide">
      <label className={`card ${choice.in ? 'card-picked' : ''} ${choice.hindrance ? 'card-out' : ''}`}>
        <input
          type="checkbox"
          checked={choice.in}
          disabled={!choose || choice.hindrance !== null}
          onChange={({ target }) => choose?.((before) => withExtra(before, section.id, target.checked))}
        />
        <span className="card-text">
          <span className="decide-who">Extra, you choose</span>
          <span className="card-name">{section.title}, all of it</span>
          <CardNotes until={choice.until} hindrance={choice.hindrance} />
        </span>
        <span className="card-price">
          {choice.in ? `${showDecimal(choice.difference)} in` : signed(choice.difference)}
        </span>
      </label>
      <WayButton name={`${choice.in ? 'without ' : ''}“${section.title}”`} way={choice.way} choose={choose} />
    </div>
  );
}

function Entry({ entry, choose, files }: Chooser & { entry: CustomerEntry }) {
  if (entry.kind === 'question') return <Question question={entry} choose={choose} files={files} />;
  if (entry.kind === 'extra') return <Extra extra={entry} choose={choose} files={files} />;
  return (
    <div className="item">
      <Picture files={files} picture={entry.picture} />
      <span>
        {entry.description}
        {entry.detail && <span className="card-detail">{entry.detail}</span>}
        {entry.allowance && <span className="card-detail">{entry.allowance}</span>}
        {entry.quantity && (
          <span className="card-detail">
            {showDecimal(entry.quantity)} {unitAfter(entry.quantity, entry.unit)}
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
                  {part.quantity && `, ${showDecimal(part.quantity)} ${unitAfter(part.quantity, part.unit)}`}
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
  children,
  ...chooser
}: Chooser & {
  section: CustomerSection;
  shows: CustomerView['shows'];
  /** Levels of this section. */
  children?: ReactNode;
}) {
  const plain = section.entries.filter(({ kind }) => kind === 'line');
  const decisions = section.entries.filter(({ kind }) => kind !== 'line');
  const listed = shows === 'lines' || shows === 'prices';
  const isIn = section.choice?.in !== false;
  return (
    <section className={isIn ? 'leaf' : 'leaf leaf-out'}>
      <div className="section-head">
        <h2>{section.title}</h2>
        {section.amount && <span className="section-amount">{showDecimal(section.amount)}</span>}
      </div>
      {section.text && <p>{section.text}</p>}
      {listed
        ? plain.map((entry) => <Entry key={entry.id} entry={entry} {...chooser} />)
        : plain.length > 0 && (
            <>
              <p className="soft contents">
                {plain
                  .flatMap((entry) => (entry.kind === 'line' && !entry.allowance ? entry.description : []))
                  .join(' · ')}
              </p>
              {plain.map(
                (entry) =>
                  entry.kind === 'line' &&
                  entry.allowance && (
                    <p key={entry.id} className="soft">
                      {entry.description}: {entry.allowance}
                    </p>
                  ),
              )}
            </>
          )}
      <SectionChoice section={section} choose={chooser.choose} />
      {isIn && children}
      {isIn && decisions.map((entry) => <Entry key={entry.id} entry={entry} {...chooser} />)}
      {section.discount && (
        <div className="item">
          <span>{discountName(section.discountReason)}</span>
          <span className="item-amount">−{showDecimal(section.discount)}</span>
        </div>
      )}
    </section>
  );
}

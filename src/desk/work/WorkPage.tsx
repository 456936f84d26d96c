'use client';

import { Button } from 'antd';
import { useState } from 'react';
import type { WorkInHand, WorkStage } from '@/data/agreements/workInHand';
import { showShortDate } from '@/core/text/dates';
import type { Answer } from '@/model';
import { useSubmit } from '@/ui/useSubmit';
import './work.css';

type SaveStage = (input: unknown) => Promise<Answer<void>>;

/** How far a stage is, in words. */
const stageWords = ({ doneOn, percent, plannedOn }: WorkStage, today: string): string => {
  if (doneOn) return `done ${showShortDate(doneOn)}`;
  const so = percent === null ? '' : `${percent} % done`;
  const when = plannedOn
    ? `${plannedOn < today ? 'was planned' : 'planned'} ${showShortDate(plannedOn)}`
    : '';
  return [so, when].filter(Boolean).join(', ') || 'not begun';
};

function Stage({
  stage,
  today,
  save,
}: {
  readonly stage: WorkStage;
  readonly today: string;
  readonly save: (change: { readonly doneOn: string | null }) => Promise<Answer<void>>;
}) {
  const { busy, submit } = useSubmit({ tells: true });
  return (
    <li className={stage.doneOn ? 'work-done' : ''}>
      <span>
        <strong>{stage.name}</strong>{' '}
        <span className={!stage.doneOn && stage.plannedOn && stage.plannedOn < today ? 'wrong' : 'soft'}>
          {stageWords(stage, today)}
        </span>
      </span>
      <Button
        size="small"
        loading={busy}
        aria-label={stage.doneOn ? `${stage.name} is not done after all` : `${stage.name} is done`}
        onClick={() => void submit(() => save({ doneOn: stage.doneOn ? null : today }))}
      >
        {stage.doneOn ? 'Not done' : 'Done today'}
      </Button>
    </li>
  );
}

/** Today for who does the work: each job, where it is, what is next. No sums. */
export function WorkPage({
  jobs,
  more,
  today,
  name,
  save,
}: {
  readonly jobs: readonly WorkInHand[];
  readonly more: boolean;
  readonly today: string;
  readonly name: string;
  readonly save: SaveStage;
}) {
  const [words, setWords] = useState('');
  const found = jobs.filter(({ title, customer, address }) =>
    `${title} ${customer} ${address.street} ${address.city}`
      .toLowerCase()
      .includes(words.trim().toLowerCase()),
  );
  return (
    <div className="page">
      <header className="page-head">
        <h1>Good day, {name.split(' ')[0]}</h1>
      </header>
      <h2>Jobs</h2>
      {jobs.length === 0 && <p className="empty">No job is under way. What is agreed next stands here.</p>}
      {jobs.length > 8 && (
        <input
          className="work-search"
          type="search"
          placeholder="Customer, street, job"
          aria-label="Find a job"
          value={words}
          onChange={({ target }) => setWords(target.value)}
        />
      )}
      {found.map(({ id, number, title, customer, phone, address, siteNote, stages }) => (
        <article key={id} className="panel work-job">
          <h3>
            {title} <span className="soft">no. {number}</span>
          </h3>
          <p>
            {customer}
            {phone && (
              <>
                , <a href={`tel:${phone.replace(/[^+\d]/g, '')}`}>{phone}</a>
              </>
            )}
            <br />
            {[address.street, address.city].filter(Boolean).join(', ')}
          </p>
          {siteNote && <p className="work-note">{siteNote}</p>}
          <ul className="work-stages" aria-label={`Stages of ${title}`}>
            {stages.map((stage) => (
              <Stage
                key={stage.name}
                stage={stage}
                today={today}
                save={(change) => save({ agreementId: id, name: stage.name, ...change })}
              />
            ))}
          </ul>
        </article>
      ))}
      {words && found.length === 0 && <p className="empty">No job has “{words}” in it.</p>}
      {more && <p className="soft">More jobs are under way than stand here.</p>}
    </div>
  );
}

'use client';

import { useState } from 'react';
import { showDate } from '@/core/text/dates';
import type { ProblemDetails } from '@/model/problem';
import { post } from './post';
import { Trouble } from './Trouble';
import type { Asked } from './types';

/** Questions of the customer with our answers, and a place to ask one more. */
export function Ask({ first, address }: { first: readonly Asked[]; address: string | null }) {
  const [asked, setAsked] = useState(first);
  const [words, setWords] = useState<string | null>(null);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [busy, setBusy] = useState(false);

  const ask = async () => {
    if (!address || !words?.trim()) return;
    setBusy(true);
    const answer = await post<readonly Asked[]>(`${address}/questions`, { words: words.trim() });
    setBusy(false);
    if (answer.ok) {
      setAsked(answer.value);
      setWords(null);
      setProblem(null);
    } else setProblem(answer.problem);
  };

  return (
    <section className="leaf" id="ask">
      <h2>A question?</h2>
      {asked.map((each) => (
        <div key={each.id} className="asked">
          <p>
            <span className="card-detail">You asked on {showDate(each.on)}</span>
            {each.words}
          </p>
          <p className={each.answer ? 'answered' : 'soft'}>
            {each.answer ? (
              <>
                <span className="card-detail">We answered on {showDate(each.answeredOn!)}</span>
                {each.answer}
              </>
            ) : (
              'We will answer here and by mail.'
            )}
          </p>
        </div>
      ))}
      {words === null ? (
        <button type="button" className="button" disabled={!address} onClick={() => setWords('')}>
          {asked.length > 0 ? 'Ask something else' : 'Ask us'}
        </button>
      ) : (
        <>
          <label className="field">
            What would you like to know?
            <textarea
              rows={3}
              maxLength={2000}
              autoFocus
              value={words}
              onChange={({ target }) => setWords(target.value)}
            />
          </label>
          {problem && <Trouble problem={problem} />}
          <button
            type="button"
            className="button button-main"
            disabled={busy || words.trim() === ''}
            onClick={ask}
          >
            {busy ? 'One moment …' : 'Send the question'}
          </button>{' '}
          <button type="button" className="link-button" onClick={() => setWords(null)}>
            Not now
          </button>
        </>
      )}
    </section>
  );
}

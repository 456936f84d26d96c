'use client';

import { useEffect, useState } from 'react';
import type { Booklet as BookletData, DepositAnswer } from './types';
import { showDecimal } from '@/core/number';
import type { Choices, CustomerView, ProblemDetails } from '@/model';
import { showDate } from '@/ui/dates';
import { Accept } from './Accept';
import { Agreed } from './Agreed';
import { Section } from './Section';
import { Sums } from './Sums';
import { Timeline } from './Timeline';

interface BookletProps {
  readonly first: BookletData;
  /** Where choices and decisions go; null in the preview, where nothing is decided. */
  readonly address: string | null;
  readonly consent: string;
  readonly trial: { readonly accepted: string; readonly refused: string };
}

/** Sends JSON to the booklet's own address and reads the answer, or the problem. */
export async function post<T>(
  address: string,
  body: unknown,
): Promise<{ ok: true; value: T } | { ok: false; problem: ProblemDetails }> {
  try {
    const answer = await fetch(address, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    const value = (await answer.json()) as T & ProblemDetails;
    return answer.ok ? { ok: true, value } : { ok: false, problem: value };
  } catch {
    return {
      ok: false,
      problem: {
        type: 'about:blank',
        title: 'No answer',
        status: 0,
        detail: 'There is no connection just now. Nothing was changed; try again.',
      },
    };
  }
}

/** The customer's side: reads like a leaflet, choices as cards, total and deposit always in view. */
export function Booklet({ first, address, consent, trial }: BookletProps) {
  const [data, setData] = useState(first);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [busy, setBusy] = useState(false);
  const { view, company } = data;

  useEffect(() => setData(first), [first]);

  const choose = async (choices: Choices) => {
    if (!address) return;
    setBusy(true);
    const answer = await post<{ view: CustomerView; choices: Choices }>(`${address}/choices`, {
      revisionId: data.revision.id,
      choices,
    });
    setBusy(false);
    if (answer.ok) {
      setProblem(null);
      setData({ ...data, ...answer.value });
    } else setProblem(answer.problem);
  };

  const open = data.state === 'open';
  return (
    <div className="booklet">
      <header className="leaf">
        <div className="from">{company.name}</div>
        <h1>{view.title}</h1>
        <div className="soft">
          For {data.customer} · {data.site}
        </div>
        {open && view.validUntil && <div className="soft">Prices hold until {showDate(view.validUntil)}</div>}
        {data.state === 'lapsed' && (
          <p className="word">
            These prices held until {showDate(view.validUntil ?? '')}. Ask us for fresh ones: {company.phone}.
          </p>
        )}
        {data.state === 'withdrawn' && (
          <p className="word">
            This proposal was taken back. If you did not expect that, call {company.phone}.
          </p>
        )}
        {data.state === 'declined' && (
          <p className="word">You declined this proposal. If you change your mind, call {company.phone}.</p>
        )}
        {view.coverNote && <p className="cover">{view.coverNote}</p>}
      </header>

      {data.agreement && <Agreed data={data} agreement={data.agreement} address={address} trial={trial} />}

      <main>
        {view.sections.map((section) => (
          <Section
            key={section.id}
            section={section}
            shows={view.shows}
            choices={data.choices}
            choose={open && address ? choose : null}
            busy={busy}
          />
        ))}
        <Sums view={view} />
        <Timeline payments={view.payments} />
        {view.terms && (
          <section className="leaf">
            <h2>Terms</h2>
            <p className="terms">{view.terms}</p>
          </section>
        )}
        {problem && <Trouble problem={problem} />}
        {open && <Accept data={data} address={address} consent={consent} />}
      </main>

      <footer className="leaf soft">
        {data.seller} · {company.name}, {company.town}
        <br />
        {company.phone} · {company.email}
        {address && (
          <>
            <br />
            <a href={`${address}/proposal.pdf`}>As PDF</a>
          </>
        )}
      </footer>

      {open && (
        <div className="foot-bar" aria-live="polite">
          <div>
            <div className="foot-name">Total as you chose</div>
            <div className="foot-total" data-testid="booklet-total">
              {showDecimal(view.total)}
            </div>
            {view.deposit && <div className="foot-name">{showDecimal(view.deposit)} on signing</div>}
          </div>
          <a className="foot-button" href="#sign">
            Sign
          </a>
        </div>
      )}
    </div>
  );
}

/** What went wrong, and (when the proposal was replaced) what is different now. */
export function Trouble({ problem }: { problem: ProblemDetails }) {
  const changes = problem.context?.changes as
    { what: string; before: string | null; after: string | null }[] | undefined;
  return (
    <section className="leaf trouble" role="alert">
      <p>{problem.detail}</p>
      {changes && (
        <>
          <table>
            <thead>
              <tr>
                <th>What</th>
                <th>Before</th>
                <th>Now</th>
              </tr>
            </thead>
            <tbody>
              {changes.map(({ what, before, after }) => (
                <tr key={what}>
                  <td>{what}</td>
                  <td>{before ?? '–'}</td>
                  <td>{after ?? '–'}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <button type="button" className="button" onClick={() => window.location.reload()}>
            Read the new one
          </button>
        </>
      )}
    </section>
  );
}

export type { DepositAnswer };

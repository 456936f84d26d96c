'use client';

import { useState } from 'react';
import type { Booklet as BookletData } from './types';
import { showDecimal } from '@/core/number';
import type { Choices } from '@/model/choices';
import type { CustomerView } from '@/model/customerView';
import type { ProblemDetails } from '@/model/problem';
import { showDate } from '@/core/text/dates';
import { Accept } from './Accept';
import { post } from './post';
import { Trouble } from './Trouble';
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

/** The customer's side: reads like a leaflet, choices as cards, total and deposit always in view. */
export function Booklet({ first, address, consent, trial }: BookletProps) {
  const [data, setData] = useState(first);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [busy, setBusy] = useState(false);
  const { view, company } = data;

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
            <div className="foot-name">Total as you chose, {view.currency}</div>
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

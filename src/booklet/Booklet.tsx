'use client';

import { useRef, useState } from 'react';
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
import { Plans } from './Plans';
import type { Choose } from './Section';
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
  const [chosen, setChosen] = useState(first.choices);
  const latest = useRef(first.choices);
  const settled = useRef(first.choices);
  const sending = useRef(false);
  const { view, company } = data;

  // What was tapped last is what counts: taps during an answer are sent together after it.
  const send = async () => {
    if (sending.current || !address) return;
    sending.current = true;
    setBusy(true);
    for (let asked: Choices | null = null; asked !== latest.current;) {
      asked = latest.current;
      const answer = await post<{ view: CustomerView; choices: Choices }>(`${address}/choices`, {
        revisionId: data.revision.id,
        choices: asked,
      });
      if (answer.ok) {
        settled.current = asked;
        setProblem(null);
        setData((before) => ({ ...before, ...answer.value }));
      } else {
        latest.current = settled.current;
        asked = settled.current;
        setChosen(settled.current);
        setProblem(answer.problem);
      }
    }
    sending.current = false;
    setBusy(false);
  };
  const choose: Choose = (change) => {
    latest.current = change(latest.current);
    setChosen(latest.current);
    void send();
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
            choices={chosen}
            choose={open && address ? choose : null}
          />
        ))}
        <Plans plans={view.plans} files={address ? `${address}/files` : '/api/v1/files'} />
        <Sums view={view} />
        <Timeline payments={view.payments} />
        {view.terms && (
          <section className="leaf">
            <h2>Terms</h2>
            <p className="terms">{view.terms}</p>
          </section>
        )}
        {problem && <Trouble problem={problem} />}
        {open && <Accept data={data} address={address} consent={consent} waiting={busy} />}
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
        <div className="foot-bar" aria-live="polite" aria-busy={busy}>
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

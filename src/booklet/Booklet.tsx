'use client';

import { useMemo, useRef, useState } from 'react';
import type { Booklet as BookletData, Meanwhile, TrialCards } from './types';
import { reckonOffer, viewOf } from '@/core/customerView';
import { showDecimal } from '@/core/number';
import type { Choices } from '@/model/choices';
import type { Answer, ProblemDetails } from '@/model/problem';
import { basisInWords } from '@/core/text/basisInWords';
import { showDate } from '@/core/text/dates';
import { Accept } from './Accept';
import { Mail, Phone } from './Reach';
import { post } from './post';
import { Trouble } from './Trouble';
import { Agreed } from './Agreed';
import { Allowances } from './Allowances';
import { Ask } from './Ask';
import { Effect } from './Effect';
import { KeepBar } from './KeepBar';
import { Levels } from './Levels';
import { Plans } from './Plans';
import type { Choose } from './Section';
import { Section } from './Section';
import { Kept, Since } from './Since';
import { Sums } from './Sums';
import { newsIn } from './newsIn';
import { useFresh } from './useFresh';
import { Timeline } from './Timeline';

interface BookletProps {
  readonly first: BookletData;
  /** What it looked like when it was read; in the preview none. */
  readonly mark?: string;
  /** Where choices and decisions go; null in the preview, where nothing is decided. */
  readonly address: string | null;
  readonly consent: string;
  /** The sentence under selections. */
  readonly selectionConsent: string;
  readonly trial: TrialCards;
  /** In the preview of what the customer has: keeps choices for them, as said on the phone. */
  readonly keep?: ((input: unknown) => Promise<Answer<void>>) | null;
}

/** The customer's side: reads like a leaflet, choices as cards, total and deposit always in view. */
export function Booklet({
  first,
  mark = '',
  address,
  consent,
  selectionConsent,
  trial,
  keep = null,
}: BookletProps) {
  const [data, setData] = useState(first);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [busy, setBusy] = useState(false);
  const [chosen, setChosen] = useState(first.choices);
  const latest = useRef(first.choices);
  const settled = useRef(first.choices);
  const seen = useRef(first.chosen);
  const sending = useRef(false);
  const held = useRef(false);
  /** Picks of rounds on their way, and when the last of them was answered. */
  const picking = useRef({ count: 0, last: 0 });
  const [news, setNews] = useState<string | null>(null);
  const { company, offer, today } = data;
  // Worked out here at once, by the same rules as on the server, whose answer is the one that is signed.
  const view = useMemo(
    () =>
      offer && chosen !== data.choices
        ? viewOf(offer, { choices: chosen, reckon: (choices) => reckonOffer(offer, choices), today })
        : data.view,
    [offer, today, chosen, data.choices, data.view],
  );

  /** Goes on from what somebody else chose meanwhile, where a refusal says so. */
  const adopt = (refusal: ProblemDetails) => {
    const now = (refusal.context as { now?: Meanwhile } | undefined)?.now;
    if (!now) return;
    settled.current = now.choices;
    seen.current = now.number;
    latest.current = now.choices;
    setChosen(now.choices);
    setData((before) => ({ ...before, view: now.view, choices: now.choices }));
  };

  useFresh(address, mark, (now, began) => {
    // Own taps first: what they come to is in their answer.
    if (sending.current || held.current) return false;
    // Asked before a pick of a round was there: it may not be in it.
    if (picking.current.count > 0 || began < picking.current.last) return false;
    // Told of before an answer that is here already: asked again.
    if (now.revision.id === data.revision.id && now.chosen < seen.current) return false;
    const said = newsIn(data, now, seen.current);
    settled.current = now.choices;
    seen.current = now.chosen;
    latest.current = now.choices;
    setChosen(now.choices);
    setData(now);
    setProblem(null);
    if (said) setNews(said);
    return true;
  });

  // What was tapped last is what counts: taps during an answer are sent together after it.
  const send = async () => {
    if (sending.current || !address) return;
    sending.current = true;
    setBusy(true);
    for (let asked: Choices | null = null; asked !== latest.current;) {
      asked = latest.current;
      const answer = await post<Meanwhile>(`${address}/choices`, {
        revisionId: data.revision.id,
        choices: asked,
        seen: seen.current,
      });
      if (answer.ok) {
        settled.current = asked;
        seen.current = answer.value.number;
        setProblem(null);
        setData((before) => ({ ...before, view: answer.value.view, choices: asked! }));
      } else {
        // Somebody else chose meanwhile: their state is the one to go on from.
        adopt(answer.problem);
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
    if (address) void send();
  };

  const open = data.state === 'open';
  // The preview can be tried out where the figures are worked out here; nothing of it is kept.
  const decide = open && (address || offer) ? choose : null;
  const reading = basisInWords(view);
  const files = address ? `${address}/files` : '/api/v1/files';
  return (
    <div className="booklet">
      {news && (
        <div className="news" role="status">
          <span>{news}</span>
          <button type="button" className="link-button" onClick={() => setNews(null)}>
            Close
          </button>
        </div>
      )}
      <header className="leaf">
        <div className="from">{company.name}</div>
        <h1>{view.title}</h1>
        <div className="soft">
          For {data.customer} · {data.site}
        </div>
        {reading && <div className="soft">{reading}</div>}
        {open && view.validUntil && <div className="soft">Prices hold until {showDate(view.validUntil)}</div>}
        {data.state === 'lapsed' && (
          <p className="word">
            These prices held until {showDate(view.validUntil ?? '')}. Ask us for fresh ones:{' '}
            <Phone number={company.phone} />.
          </p>
        )}
        {data.state === 'withdrawn' && (
          <p className="word">
            This proposal was withdrawn. If you did not expect that, call <Phone number={company.phone} />.
          </p>
        )}
        {data.state === 'declined' && (
          <p className="word">
            You declined this proposal. If you change your mind, call <Phone number={company.phone} />.
          </p>
        )}
        {data.state === 'revising' && (
          <p className="word">
            This is being revised: what you see is what we sent last. We will send you the new one.
          </p>
        )}
        {data.signed && (
          <p className="word" id="agreed">
            Signed by {data.signed.by} on {showDate(data.signed.on)}.{' '}
            {address && <a href={`${address}/certificate`}>What was signed</a>}
          </p>
        )}
        {data.changesSince.length > 0 && (
          <Since changes={data.changesSince} revision={data.revision.number} />
        )}
        {data.kept && <Kept lost={data.kept.lost} />}
        {view.coverNote && <p className="cover">{view.coverNote}</p>}
      </header>

      {data.agreement && <Agreed data={data} agreement={data.agreement} address={address} trial={trial} />}
      {data.agreement?.allowances && (
        <Allowances
          allowances={data.agreement.allowances}
          basis={view.basis}
          taxes={data.taxes}
          picks={(now) => {
            picking.current = {
              count: picking.current.count + (now === 'sent' ? 1 : -1),
              last: performance.now(),
            };
          }}
          address={address}
          consent={selectionConsent}
          files={files}
          currency={view.currency}
        />
      )}

      <main>
        {view.tiers
          .filter(({ section }) => section === null)
          .map((tiers) => (
            <section key={tiers.id} className="leaf">
              <Levels tiers={tiers} choose={decide} />
            </section>
          ))}
        {view.sections.map((section) => (
          <Section key={section.id} section={section} shows={view.shows} choose={decide} files={files}>
            {view.tiers
              .filter((tiers) => tiers.section === section.id)
              .map((tiers) => (
                <Levels key={tiers.id} tiers={tiers} choose={decide} />
              ))}
          </Section>
        ))}
        <Plans plans={view.plans} files={files} />
        <Sums view={view} />
        {data.contract && <Effect contract={data.contract} view={view} />}
        {/* Once it is changed, the payments of the agreement stand at its head, and not as they were at first. */}
        {view.payments.length > 0 && !data.agreement?.changes.some(({ state }) => state === 'signed') && (
          <Timeline payments={view.payments} billing={view.billing} />
        )}
        {view.terms && (
          <section className="leaf">
            <h2>Terms</h2>
            <p className="terms">{view.terms}</p>
          </section>
        )}
        {problem && <Trouble problem={problem} />}
        <Ask first={data.questions} address={address} />
        {open && (
          <Accept
            data={data}
            view={view}
            address={address}
            consent={consent}
            waiting={busy}
            refused={adopt}
            hold={(now) => (held.current = now)}
          />
        )}
      </main>

      <footer className="leaf soft">
        {data.seller} · {company.name}, {company.town}
        <br />
        <Phone number={company.phone} /> · <Mail address={company.email} />
        {address && (
          <>
            <br />
            <a href={`${address}/proposal.pdf`}>As PDF</a>
          </>
        )}
      </footer>

      {open && keep && chosen !== data.choices && (
        <KeepBar
          keep={async () => {
            const kept = await keep({ revisionId: data.revision.id, choices: chosen });
            if (kept.ok) setData((before) => ({ ...before, view, choices: chosen }));
            return kept.ok ? null : kept.problem.detail;
          }}
        />
      )}
      {open && (
        <div className="foot-bar" aria-live="polite" aria-busy={busy}>
          <div>
            <div className="foot-name">
              {view.change ? 'Change' : 'Total'} as you chose{view.basis === 'before tax' && ', with tax'},{' '}
              {view.currency}
            </div>
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

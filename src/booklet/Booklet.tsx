'use client';

import type { CSSProperties } from 'react';
import { useMemo } from 'react';
import type { Booklet as BookletData } from './types';
import { reckonOffer, viewOf } from '@/core/customerView';
import type { Answer } from '@/model/problem';
import { Accept } from './Accept';
import { Mail, Phone } from './Reach';
import { Trouble } from './Trouble';
import { Agreed } from './Agreed';
import { Allowances } from './Allowances';
import { Ask } from './Ask';
import { FootBar } from './FootBar';
import { Head } from './Head';
import { KeepBar } from './KeepBar';
import { Offered } from './Offered';
import { useChoosing } from './useChoosing';

interface BookletProps {
  readonly first: BookletData;
  /** What it looked like when it was read; in the preview none. */
  readonly mark?: string;
  /** Where choices and decisions go; null in the preview, where nothing is decided. */
  readonly address: string | null;
  readonly consent: string;
  /** The sentence under selections. */
  readonly selectionConsent: string;
  readonly trialCode: string;
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
  trialCode,
  keep = null,
}: BookletProps) {
  const choosing = useChoosing(first, address, mark);
  const { data, chosen, problem, busy, news } = choosing;
  const { company, offer, today } = data;
  // Worked out here at once, by the same rules as on the server, whose answer is the one that is signed.
  const view = useMemo(
    () =>
      offer && chosen !== data.choices
        ? viewOf(offer, { choices: chosen, reckon: (choices) => reckonOffer(offer, choices), today })
        : data.view,
    [offer, today, chosen, data.choices, data.view],
  );
  const open = data.state === 'open';
  // The preview can be tried out where the figures are worked out here; nothing of it is kept.
  const choose = open && (address || offer) ? choosing.choose : null;
  const files = address ? `${address}/files` : '/api/v1/files';
  return (
    <div
      className="booklet"
      // The company’s own color in place of the product’s; it was checked to be read on this paper.
      {...(company.color ? { style: { '--own': company.color } as CSSProperties, 'data-own': true } : {})}
    >
      {news && (
        <div className="news" role="status">
          <span>{news}</span>
          <button type="button" className="link-button" onClick={choosing.closeNews}>
            Close
          </button>
        </div>
      )}
      <Head data={data} view={view} address={address} files={files} />
      {data.agreement && (
        <Agreed data={data} agreement={data.agreement} address={address} trialCode={trialCode} />
      )}
      {data.agreement?.allowances && (
        <Allowances
          allowances={data.agreement.allowances}
          basis={view.basis}
          taxes={data.taxes}
          picks={choosing.picked}
          address={address}
          consent={selectionConsent}
          files={files}
          currency={view.currency}
        />
      )}

      <main>
        <Offered data={data} view={view} choose={choose} files={files} />
        {problem && <Trouble problem={problem} />}
        <Ask first={data.questions} address={address} />
        {open && (
          <Accept
            data={data}
            view={view}
            address={address}
            consent={consent}
            waiting={busy}
            refused={choosing.adopt}
            hold={choosing.hold}
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
            if (kept.ok) choosing.setData((before) => ({ ...before, view, choices: chosen }));
            return kept.ok ? null : kept.problem.detail;
          }}
        />
      )}
      {open && <FootBar view={view} busy={busy} />}
    </div>
  );
}

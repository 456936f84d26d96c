'use client';

import { Alert, Button } from 'antd';
import Link from 'next/link';
import type { listSessions } from '@/services/accounts/session';
import type { listAreas } from '@/services/library/areas';
import type { Settled, readSettings } from '@/services/settings/settings';
import { minorDigits } from '@/core/number';
import type { Answer } from '@/model';
import { goToPlace, usePlace } from '@/ui/place/usePlace';
import { AreaTable } from './AreaTable';
import { OfYou } from './OfYou';
import { PeopleTable } from './PeopleTable';
import { SettingsSubject } from './SettingsSubjects';
import { isForm, subjectOf, subjects } from './subjects';
import { useSettingsForm } from './useSettingsForm';
import './settings.css';

interface SettingsProps {
  readonly settings: Awaited<ReturnType<typeof readSettings>>;
  readonly sessions: Awaited<ReturnType<typeof listSessions>>;
  readonly areas: Awaited<ReturnType<typeof listAreas>>;
  readonly isOwner: boolean;
  readonly look: string;
  readonly trades: readonly string[];
  readonly actions: {
    readonly save: (input: unknown) => Promise<Answer<Settled>>;
    readonly saveAreas: (text: string) => Promise<Answer<{ count: number }>>;
    readonly revoke: (id: string) => Promise<Answer<void>>;
    readonly setLook: (look: string) => Promise<void>;
  };
}

/** How the company works, who works here, where one is signed in, and how it looks: a subject at a time. */
export function SettingsPage({ settings, sessions, areas, isOwner, look, trades, actions }: SettingsProps) {
  const { company, users, settled } = settings;
  const subject = subjectOf(usePlace().get('about'));
  const form = useSettingsForm(settled, minorDigits(company.currency), isOwner, actions.save);
  const here = subjects.find(({ key }) => key === subject)!;
  return (
    <div className="page">
      <header className="page-head">
        <h1>Settings</h1>
        <span className="soft">
          {company.name}, {company.address.street}, {company.address.city}
        </span>
        <Link className="soft" href="/outbox" prefetch={false}>
          outbox of the simulated post
        </Link>
      </header>
      <div className="settings by-place">
        <nav className="settings-subjects" aria-label="Subjects">
          {subjects.map(({ key, title }) => (
            <button
              key={key}
              type="button"
              aria-current={key === subject ? 'page' : undefined}
              // Subjects are history of their own: what is typed in one stays while another is looked at.
              onClick={() => goToPlace(`about=${key}`)}
            >
              {title}
            </button>
          ))}
        </nav>
        <div className="settings-subject">
          <h2>{here.title}</h2>
          <p className="soft settings-about">{here.about}.</p>
          {isForm(subject) && (
            <div className="panel">
              {form.notice}
              <SettingsSubject
                subject={subject}
                typed={form.typed}
                type={form.type}
                disabled={!isOwner}
                currency={company.currency}
                trades={trades}
              />
              {isOwner ? (
                <div className="settings-save">
                  {form.refused && <Alert type="error" title={form.refused} />}
                  <Button type="primary" loading={form.saving} onClick={() => void form.save()}>
                    Save
                  </Button>{' '}
                  {form.unsaved && <span className="soft">Not saved yet; saving takes all subjects.</span>}
                </div>
              ) : (
                <span className="soft">The owner can change this.</span>
              )}
            </div>
          )}
          {subject === 'pricing' && <AreaTable areas={areas} isOwner={isOwner} save={actions.saveAreas} />}
          {subject === 'people' && <PeopleTable people={users} />}
          {subject === 'you' && (
            <OfYou
              sessions={sessions}
              timeZone={company.timeZone}
              look={look}
              revoke={actions.revoke}
              setLook={actions.setLook}
            />
          )}
        </div>
      </div>
    </div>
  );
}

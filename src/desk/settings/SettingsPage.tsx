'use client';

import Link from 'next/link';
import type { ComponentProps } from 'react';
import type { Permission } from '@/model';
import { PeoplePanel } from '@/desk/people/PeoplePanel';
import { OfYou } from '@/desk/you/OfYou';
import { goToPlace, usePlace } from '@/ui/place/usePlace';
import { CompanyForm } from './CompanyForm';
import { ConnectionsPanel } from './ConnectionsPanel';
import { DataPanel } from './DataPanel';
import type { AccessProps } from './AccessPanel';
import { AccessPanel } from './AccessPanel';
import type { WebhooksProps } from './WebhooksPanel';
import { WebhooksPanel } from './WebhooksPanel';
import { UnitsPanel } from './UnitsPanel';
import { CostCodesPanel } from './CostCodesPanel';
import { NumbersPanel } from './NumbersPanel';
import { CompanySettings } from './CompanySettings';
import { subjectOf, subjects, subjectsFor } from './subjects';
import './settings.css';

interface SettingsProps {
  readonly permissions: readonly Permission[];
  /** Which company, in a line. */
  readonly company: string;
  readonly settings: Omit<ComponentProps<typeof CompanySettings>, 'subject'> | null;
  readonly details: ComponentProps<typeof CompanyForm> | null;
  readonly people: ComponentProps<typeof PeoplePanel> | null;
  readonly costCodes: ComponentProps<typeof CostCodesPanel> | null;
  readonly ownUnits: ComponentProps<typeof UnitsPanel> | null;
  readonly numbers: ComponentProps<typeof NumbersPanel> | null;
  readonly connections: ComponentProps<typeof ConnectionsPanel> | null;
  readonly access: AccessProps | null;
  readonly news: WebhooksProps | null;
  readonly data: ComponentProps<typeof DataPanel>;
  readonly you: ComponentProps<typeof OfYou>;
}

/** How the company works, who works here, and how one signs in: a subject at a time, of those one may see. */
export function SettingsPage({
  permissions,
  company,
  settings,
  details,
  people,
  costCodes,
  ownUnits,
  numbers,
  connections,
  access,
  news,
  data,
  you,
}: SettingsProps) {
  const subject = subjectOf(usePlace().get('about'), permissions);
  const here = subjects.find(({ key }) => key === subject)!;
  return (
    <div className="page">
      <header className="page-head">
        <h1>Settings</h1>
        <span className="soft">{company}</span>
        {permissions.includes('prices') && (
          <Link className="soft" href="/outbox" prefetch={false}>
            outbox
          </Link>
        )}
      </header>
      <div className="settings by-place">
        <nav className="settings-subjects" aria-label="Subjects">
          {subjectsFor(permissions).map(({ key, title }) => (
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
          {settings && <CompanySettings {...settings} subject={subject} />}
          {subject === 'company' && details && <CompanyForm {...details} />}
          {subject === 'library' && costCodes && <CostCodesPanel {...costCodes} />}
          {subject === 'library' && ownUnits && <UnitsPanel {...ownUnits} />}
          {subject === 'numbers' && numbers && <NumbersPanel {...numbers} />}
          {subject === 'connections' && connections && <ConnectionsPanel {...connections} />}
          {subject === 'connections' && access && <AccessPanel {...access} />}
          {subject === 'connections' && news && <WebhooksPanel {...news} />}
          {subject === 'data' && <DataPanel {...data} />}
          {subject === 'people' && people && <PeoplePanel {...people} />}
          {subject === 'you' && <OfYou {...you} />}
        </div>
      </div>
    </div>
  );
}

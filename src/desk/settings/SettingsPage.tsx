'use client';

import { Alert, App, Button, Input, Radio, Segmented } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { listSessions } from '@/services/accounts/session';
import type { listAreas } from '@/services/library/areas';
import type { Settled, readSettings } from '@/services/settings/settings';
import { mergeOver } from '@/core/editing';
import { minorDigits } from '@/core/number';
import { readDays, readTypedTerms } from '@/core/quantity';
import type { Answer } from '@/model';
import { showInstant } from '@/ui/instants';
import { AreaTable } from './AreaTable';
import { LateSettings } from './LateSettings';
import { MoneySettings } from './MoneySettings';
import { PricingSettings } from './PricingSettings';
import { UsualPercents } from './UsualPercents';
import { asked } from '@/ui/asked';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import { withPatience } from '@/ui/patience';

/** The settings as they stand in the form. */
interface Typed extends Pick<Settled, 'usual' | 'pricing' | 'money'> {
  readonly deposit: boolean;
  readonly validity: string;
  readonly payment: string;
  /** What it stands over: the settings as they were read, then as they were saved. */
  readonly over: Settled;
}
const asTyped = (over: Settled): Typed => ({
  deposit: over.depositInvoiceOnAcceptance,
  validity: String(over.validityDays),
  payment: String(over.paymentDays),
  usual: over.usual,
  pricing: over.pricing,
  money: over.money,
  over,
});

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

/** How the company works, who works here, where one is signed in, and how it looks. */
export function SettingsPage({ settings, sessions, areas, isOwner, look, trades, actions }: SettingsProps) {
  const { company, users } = settings;
  const router = useRouter();
  const { message } = App.useApp();
  const [typed, setTyped] = useState(() => asTyped(settings.settled));
  const { deposit, validity, payment, usual, pricing, money } = typed;
  const type = (change: Partial<Typed>) => setTyped((before) => ({ ...before, ...change }));
  const [refused, setRefused] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const { done, notice } = useKeptForm(
    isOwner ? 'settings' : null,
    typed,
    asTyped(settings.settled),
    setTyped,
  );

  const save = async () => {
    setRefused(null);
    let wanted: Settled;
    try {
      wanted = {
        depositInvoiceOnAcceptance: deposit,
        validityDays: readDays('Prices hold for', validity, 1, 365),
        paymentDays: readDays('Stage invoices are due after', payment, 0, 180),
        ...readTypedTerms({ usual, pricing, money }, minorDigits(company.currency)),
      };
    } catch (error) {
      setRefused((error as Error).message);
      return;
    }
    setSaving(true);
    const answer = await asked(actions.save({ ...wanted, over: typed.over }));
    setSaving(false);
    if (!answer.ok) {
      setRefused(answer.problem.detail);
      return;
    }
    // What others settled meanwhile is shown with it; what was typed since the press stays.
    const stored = asTyped(answer.value);
    setTyped((now) => ({ ...mergeOver(typed, now, stored), over: stored.over }));
    done();
    message.success('Settings saved.');
    router.refresh();
  };
  const revoke = async (id: string) => {
    const answer = await asked(actions.revoke(id));
    if (!answer.ok) message.error(answer.problem.detail);
    router.refresh();
  };

  return (
    <div className="page" style={{ maxWidth: 860 }}>
      <header className="page-head">
        <h1>Settings</h1>
        <span className="soft">
          {company.name}, {company.address.street}, {company.address.city}
        </span>
      </header>
      <h2>How we work</h2>
      <div className="panel">
        {notice}
        <fieldset style={{ border: 0, padding: 0, margin: '0 0 14px' }} disabled={!isOwner}>
          <legend style={{ padding: 0 }}>The deposit invoice is issued</legend>
          <Radio.Group
            vertical
            disabled={!isOwner}
            value={deposit}
            onChange={({ target }) => type({ deposit: Boolean(target.value) })}
            options={[
              { value: true, label: 'by itself, when the customer accepts' },
              {
                value: false,
                label: 'by the office, on the page of the agreement (or when the customer pays it by card)',
              },
            ]}
          />
        </fieldset>
        <label style={{ display: 'block', marginBottom: 10 }}>
          Prices hold for{' '}
          <Input
            style={{ width: 64 }}
            disabled={!isOwner}
            inputMode="numeric"
            value={validity}
            onChange={({ target }) => type({ validity: target.value })}
          />{' '}
          days
        </label>
        <label style={{ display: 'block', marginBottom: 14 }}>
          Stage invoices are due after{' '}
          <Input
            style={{ width: 64 }}
            disabled={!isOwner}
            inputMode="numeric"
            value={payment}
            onChange={({ target }) => type({ payment: target.value })}
          />{' '}
          days
        </label>
        <p style={{ margin: '0 0 6px' }}>A proposal from nothing begins with:</p>
        <UsualPercents usual={usual} disabled={!isOwner} change={(next) => type({ usual: next })} />
        <Radio.Group
          className="settings-basis"
          disabled={!isOwner}
          value={usual.tax?.shown ?? 'before tax'}
          onChange={({ target }) => {
            const { tax: _, ...rest } = usual;
            type({ usual: target.value === 'with tax' ? { ...rest, tax: { shown: 'with tax' } } : rest });
          }}
        >
          <Radio value="before tax">Customers read prices before tax, and the tax below</Radio>
          <Radio value="with tax">Customers see prices including tax</Radio>
        </Radio.Group>
        <PricingSettings
          pricing={pricing}
          usual={usual}
          trades={trades}
          disabled={!isOwner}
          change={(next) => type({ pricing: next })}
        />
        <MoneySettings
          money={money}
          usual={usual}
          disabled={!isOwner}
          change={(next) => type({ money: next })}
        />
        <LateSettings
          money={money}
          currency={company.currency}
          disabled={!isOwner}
          change={(next) => type({ money: next })}
        />
        {isOwner ? (
          <div style={{ marginTop: 14 }}>
            {refused && <Alert type="error" title={refused} style={{ marginBottom: 10 }} />}
            <Button type="primary" loading={saving} onClick={() => void save()}>
              Save
            </Button>
          </div>
        ) : (
          <span className="soft">The owner can change this.</span>
        )}
      </div>
      <AreaTable areas={areas} isOwner={isOwner} save={actions.saveAreas} />
      <h2>People</h2>
      <table className="table-plain">
        <tbody>
          {users.map((user) => (
            <tr key={user.id}>
              <td>{user.name}</td>
              <td>{user.email}</td>
              <td>{user.role}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2>Where you are signed in</h2>
      <table className="table-plain">
        <tbody>
          {sessions.map((session) => (
            <tr key={session.id}>
              <td style={{ overflowWrap: 'anywhere' }}>{session.browser || 'Unknown browser'}</td>
              <td className="soft">since {showInstant(session.createdAt, company.timeZone)}</td>
              <td className="amount">
                {session.current ? (
                  <span className="soft">this one</span>
                ) : (
                  <Button size="small" onClick={() => revoke(session.id)}>
                    Sign it out
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2>Look</h2>
      <Segmented
        value={look}
        options={[
          { value: 'system', label: 'As the system' },
          { value: 'light', label: 'Light' },
          { value: 'dark', label: 'Dark' },
        ]}
        onChange={(next) => {
          withPatience(actions.setLook(String(next))).then(
            () => window.location.reload(),
            () => message.error('The server did not answer.'),
          );
        }}
      />
      <h2>More</h2>
      <p>
        <Link href="/outbox" prefetch={false}>
          Outbox of the simulated post
        </Link>
      </p>
    </div>
  );
}

'use client';

import { App, Button, Input, Radio, Segmented } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { listSessions } from '@/acts/accounts/session';
import type { listAreas } from '@/acts/library/areas';
import type { readSettings } from '@/acts/settings';
import type { Answer } from '@/model';
import { showInstant } from '@/ui/instants';
import { AreaTable } from './AreaTable';
import { LateSettings } from './LateSettings';
import { MoneySettings } from './MoneySettings';
import { PricingSettings } from './PricingSettings';
import { UsualPercents } from './UsualPercents';
import { asked } from '@/ui/asked';
import { withPatience } from '@/ui/patience';

interface SettingsProps {
  readonly settings: Awaited<ReturnType<typeof readSettings>>;
  readonly sessions: Awaited<ReturnType<typeof listSessions>>;
  readonly areas: Awaited<ReturnType<typeof listAreas>>;
  readonly isOwner: boolean;
  readonly look: string;
  readonly trades: readonly string[];
  readonly actions: {
    readonly save: (input: unknown) => Promise<Answer<void>>;
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
  const [deposit, setDeposit] = useState(company.depositInvoiceOnAcceptance);
  const [validity, setValidity] = useState(String(company.validityDays));
  const [payment, setPayment] = useState(String(company.paymentDays));
  const [usual, setUsual] = useState(company.usual);
  const [pricing, setPricing] = useState(company.pricing);
  const [money, setMoney] = useState(company.money);

  const save = async () => {
    const answer = await asked(
      actions.save({
        depositInvoiceOnAcceptance: deposit,
        validityDays: Number(validity),
        paymentDays: Number(payment),
        usual,
        pricing,
        money,
      }),
    );
    if (answer.ok) message.success('Settings saved.');
    else message.error(answer.problem.detail);
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
        <fieldset style={{ border: 0, padding: 0, margin: '0 0 14px' }} disabled={!isOwner}>
          <legend style={{ padding: 0 }}>The deposit invoice is issued</legend>
          <Radio.Group
            vertical
            disabled={!isOwner}
            value={deposit}
            onChange={({ target }) => setDeposit(Boolean(target.value))}
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
            onChange={({ target }) => setValidity(target.value)}
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
            onChange={({ target }) => setPayment(target.value)}
          />{' '}
          days
        </label>
        <p style={{ margin: '0 0 6px' }}>A proposal from nothing begins with:</p>
        <UsualPercents usual={usual} disabled={!isOwner} change={setUsual} />
        <Radio.Group
          className="settings-basis"
          disabled={!isOwner}
          value={usual.tax?.shown ?? 'before tax'}
          onChange={({ target }) => {
            const { tax: _, ...rest } = usual;
            setUsual(target.value === 'with tax' ? { ...rest, tax: { shown: 'with tax' } } : rest);
          }}
        >
          <Radio value="before tax">Customers read prices before tax, and the tax below</Radio>
          <Radio value="with tax">Customers read every price with the tax in it</Radio>
        </Radio.Group>
        <PricingSettings
          pricing={pricing}
          usual={usual}
          trades={trades}
          disabled={!isOwner}
          change={setPricing}
        />
        <MoneySettings money={money} usual={usual} disabled={!isOwner} change={setMoney} />
        <LateSettings money={money} currency={company.currency} disabled={!isOwner} change={setMoney} />
        {isOwner ? (
          <Button type="primary" onClick={save} style={{ marginTop: 14 }}>
            Save
          </Button>
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

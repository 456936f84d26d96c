'use client';

import { Input, Radio } from 'antd';
import { LateSettings } from './LateSettings';
import { MoneySettings } from './MoneySettings';
import { PricingSettings } from './PricingSettings';
import type { Subject } from './subjects';
import { TaxClasses } from './TaxClasses';
import { UsualBilling } from './UsualBilling';
import { UsualPercents } from './UsualPercents';
import type { TypedSettings } from './useSettingsForm';

interface Typing {
  readonly typed: TypedSettings;
  readonly type: (change: Partial<TypedSettings>) => void;
  readonly disabled: boolean;
}

const Days = ({
  before,
  value,
  disabled,
  change,
}: {
  readonly before: string;
  readonly value: string;
  readonly disabled: boolean;
  readonly change: (text: string) => void;
}) => (
  <label className="settings-days">
    {before}{' '}
    <Input
      disabled={disabled}
      inputMode="numeric"
      value={value}
      onChange={({ target }) => change(target.value)}
    />{' '}
    days
  </label>
);

const OfProposals = ({ typed: { validity, usual }, type, disabled }: Typing) => (
  <>
    <Days
      before="Prices hold for"
      value={validity}
      disabled={disabled}
      change={(text) => type({ validity: text })}
    />
    <p className="settings-what">A proposal from nothing begins with:</p>
    <UsualPercents usual={usual} disabled={disabled} change={(next) => type({ usual: next })} />
    <label className="settings-terms">
      Terms every proposal ends with
      <Input.TextArea
        disabled={disabled}
        autoSize={{ minRows: 4, maxRows: 16 }}
        maxLength={20_000}
        value={usual.terms ?? ''}
        onChange={({ target }) => {
          const { terms: _, ...rest } = usual;
          type({ usual: target.value === '' ? rest : { ...rest, terms: target.value } });
        }}
      />
    </label>
    <Radio.Group
      className="settings-basis"
      disabled={disabled}
      value={usual.tax?.shown ?? 'before tax'}
      onChange={({ target }) => {
        const { tax: _, ...rest } = usual;
        type({ usual: target.value === 'with tax' ? { ...rest, tax: { shown: 'with tax' } } : rest });
      }}
    >
      <Radio value="before tax">Customers read prices before tax, and the tax below</Radio>
      <Radio value="with tax">Customers see prices including tax</Radio>
    </Radio.Group>
  </>
);

const OfInvoices = ({ typed: { deposit, payment, usual, money }, type, disabled }: Typing) => (
  <>
    <fieldset className="settings-group" disabled={disabled}>
      <legend>The deposit invoice is issued</legend>
      <Radio.Group
        vertical
        disabled={disabled}
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
    <Days
      before="Stage invoices are due after"
      value={payment}
      disabled={disabled}
      change={(text) => type({ payment: text })}
    />
    <UsualBilling usual={usual} disabled={disabled} change={(next) => type({ usual: next })} />
    <MoneySettings money={money} usual={usual} disabled={disabled} change={(next) => type({ money: next })} />
  </>
);

/** What one subject of the settings' form holds. */
export function SettingsSubject({
  subject,
  currency,
  trades,
  sellers,
  ...typing
}: Typing & {
  readonly subject: Subject;
  readonly currency: string;
  readonly trades: readonly string[];
  readonly sellers: readonly { readonly id: string; readonly name: string }[];
}) {
  const { typed, type, disabled } = typing;
  switch (subject) {
    case 'proposals':
      return <OfProposals {...typing} />;
    case 'taxes':
      return <TaxClasses usual={typed.usual} disabled={disabled} change={(next) => type({ usual: next })} />;
    case 'pricing':
      return (
        <PricingSettings
          pricing={typed.pricing}
          usual={typed.usual}
          trades={trades}
          sellers={sellers}
          disabled={disabled}
          change={(next) => type({ pricing: next })}
        />
      );
    case 'invoices':
      return <OfInvoices {...typing} />;
    case 'late':
      return (
        <LateSettings
          money={typed.money}
          currency={currency}
          disabled={disabled}
          change={(next) => type({ money: next })}
        />
      );
    default:
      return null;
  }
}

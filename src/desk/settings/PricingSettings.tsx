'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button, Input } from 'antd';
import { CommissionFields } from './CommissionFields';
import { MarkupsTable } from '../markups/MarkupsTable';
import type { CompanyPricing, LoadSet, PriceLimits, UsualTerms } from '@/model';

/** Markup levels by name, and what nobody sends without the owner's yes. */
export function PricingSettings({
  pricing,
  usual,
  trades,
  sellers,
  disabled,
  change,
}: {
  readonly pricing: CompanyPricing;
  readonly usual: UsualTerms;
  readonly trades: readonly string[];
  readonly sellers: readonly { readonly id: string; readonly name: string }[];
  readonly disabled: boolean;
  readonly change: (pricing: CompanyPricing) => void;
}) {
  const { loadSets, limits } = pricing;
  const setSet = (id: string, next: LoadSet | null) =>
    change({
      ...pricing,
      loadSets: loadSets.flatMap((set) => (set.id === id ? (next ? [next] : []) : [set])),
    });
  const limit = (field: 'margin' | 'discount', text: string) => {
    const { [field]: _, ...rest } = limits;
    change({ ...pricing, limits: text.trim() === '' ? rest : { ...rest, [field]: text } });
  };
  const trade = (name: string, text: string) => {
    const byTrade: NonNullable<PriceLimits['byTrade']> = { ...limits.byTrade };
    if (text.trim() === '') delete byTrade[name];
    else byTrade[name] = text;
    change({ ...pricing, limits: { ...limits, byTrade } });
  };
  const field = (label: string, value: string, set: (text: string) => void) => (
    <label key={label}>
      {label}
      <Input
        inputMode="decimal"
        disabled={disabled}
        value={value}
        onChange={({ target }) => set(target.value)}
      />
      <span className="soft">%</span>
    </label>
  );
  return (
    <>
      <p className="settings-what">Markup levels by name, to price a proposal or one of its sections by:</p>
      {loadSets.map((set) => (
        <fieldset key={set.id} className="load-set" disabled={disabled}>
          <Input
            aria-label="Name of the markup level"
            className="wide-choice"
            maxLength={200}
            value={set.name}
            onChange={({ target }) => setSet(set.id, { ...set, name: target.value })}
          />
          {!disabled && (
            <Button
              size="small"
              type="text"
              aria-label={`Remove ${set.name}`}
              onClick={() => setSet(set.id, null)}
            >
              ×
            </Button>
          )}
          <MarkupsTable
            label={`Markups of ${set.name}`}
            loads={set.loads}
            readOnly={disabled}
            change={(loads) => setSet(set.id, { ...set, loads })}
          />
        </fieldset>
      ))}
      {!disabled && (
        <Button
          size="small"
          icon={<PlusOutlined />}
          onClick={() =>
            change({
              ...pricing,
              loadSets: [
                ...loadSets,
                { id: crypto.randomUUID(), name: 'Another level', loads: structuredClone(usual.loads) },
              ],
            })
          }
        >
          Markup level like the usual one
        </Button>
      )}
      <p className="settings-what">Without approval nobody sends a proposal</p>
      <div className="usual">
        {field('whose margin could fall below', limits.margin ?? '', (text) => limit('margin', text))}
        {field('in which a seller takes off more than', limits.discount ?? '', (text) =>
          limit('discount', text),
        )}
        {trades.map((name) =>
          field(`in which ${name} earns less than`, limits.byTrade?.[name] ?? '', (text) =>
            trade(name, text),
          ),
        )}
      </div>
      <CommissionFields pricing={pricing} sellers={sellers} disabled={disabled} change={change} />
    </>
  );
}

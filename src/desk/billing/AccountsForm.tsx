'use client';

import { Button, Input } from 'antd';
import { useState } from 'react';
import type { Accounts, Answer } from '@/model';
import { useSubmit } from '@/ui/useSubmit';
import { useKeptForm } from '@/ui/kept/useKeptForm';

const names: readonly (readonly [string, string])[] = [
  ['receivable', 'Customers owe us'],
  ['retainage', 'Retainage held'],
  ['deposits', 'Customer deposits'],
  ['tax', 'Sales tax'],
  ['late', 'Late charges'],
  ['income.material', 'Income, material'],
  ['income.labour', 'Income, labor'],
  ['income.equipment', 'Income, equipment'],
  ['income.subcontract', 'Income, subcontract'],
  ['income.other', 'Income, other'],
  ['income.unknown', 'Income, not broken down'],
  ['money.card', 'Card payments'],
  ['money.cheque', 'Checks'],
  ['money.transfer', 'Transfers'],
  ['money.cash', 'Cash'],
];

type Flat = Readonly<Record<string, string>>;

const flat = ({ income, money, ...rest }: Accounts): Flat => ({
  ...rest,
  ...Object.fromEntries(Object.entries(income).map(([key, value]) => [`income.${key}`, value])),
  ...Object.fromEntries(Object.entries(money).map(([key, value]) => [`money.${key}`, value])),
});

function deep(values: Flat): Accounts {
  const group = (name: string) =>
    Object.fromEntries(
      Object.entries(values).flatMap(([key, value]) =>
        key.startsWith(`${name}.`) ? [[key.slice(name.length + 1), value]] : [],
      ),
    );
  const rest = Object.fromEntries(Object.entries(values).filter(([key]) => !key.includes('.')));
  return { ...rest, income: group('income'), money: group('money') } as unknown as Accounts;
}

/** The accounts that the journal books on. */
export function AccountsForm({
  accounts,
  mayChange,
  save,
}: {
  accounts: Accounts;
  mayChange: boolean;
  save: (accounts: Accounts) => Promise<Answer<void>>;
}) {
  const [values, setValues] = useState<Flat>(() => flat(accounts));
  const { busy, submit } = useSubmit({ tells: true });
  const { done, notice } = useKeptForm(mayChange ? 'accounts' : null, values, flat(accounts), setValues);
  const keep = () => submit(() => save(deep(values)), { said: 'Saved.', then: () => done() });
  return (
    <details className="accounts" open={notice !== null || undefined}>
      <summary>Accounts the journal books on</summary>
      {notice}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        {names.map(([key, name]) => (
          <label key={key}>
            {name}
            <Input
              required
              disabled={!mayChange}
              maxLength={40}
              value={values[key]}
              onChange={({ target }) => setValues({ ...values, [key]: target.value })}
            />
          </label>
        ))}
        {mayChange ? (
          <Button htmlType="submit" loading={busy}>
            Save the accounts
          </Button>
        ) : (
          <span className="soft">Your role does not change this.</span>
        )}
      </form>
    </details>
  );
}

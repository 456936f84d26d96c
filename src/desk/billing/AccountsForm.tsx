'use client';

import { App, Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Accounts, Answer } from '@/model';
import { asked } from '@/ui/asked';
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
  const { message } = App.useApp();
  const [values, setValues] = useState<Flat>(() => flat(accounts));
  const router = useRouter();
  const { done, notice } = useKeptForm(mayChange ? 'accounts' : null, values, flat(accounts), setValues);
  const submit = async () => {
    const answer = await asked(save(deep(values)));
    if (!answer.ok) {
      message.error(answer.problem.detail);
      return;
    }
    done();
    message.success('Saved.');
    router.refresh();
  };
  return (
    <details className="accounts" open={notice !== null || undefined}>
      <summary>Accounts the journal books on</summary>
      {notice}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
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
          <Button htmlType="submit">Save the accounts</Button>
        ) : (
          <span className="soft">The owner can change this.</span>
        )}
      </form>
    </details>
  );
}

import { App } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Settled } from '@/services/settings/settings';
import { mergeOver } from '@/core/editing';
import { readDays, readTypedTerms } from '@/core/quantity';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';
import { useKeptForm } from '@/ui/kept/useKeptForm';

/** The settings as they stand in the form. */
export interface TypedSettings extends Pick<Settled, 'usual' | 'pricing' | 'money'> {
  readonly deposit: boolean;
  readonly validity: string;
  readonly payment: string;
  /** What it stands over: the settings as they were read, then as they were saved. */
  readonly over: Settled;
}

const asTyped = (over: Settled): TypedSettings => ({
  deposit: over.depositInvoiceOnAcceptance,
  validity: String(over.validityDays),
  payment: String(over.paymentDays),
  usual: over.usual,
  pricing: over.pricing,
  money: over.money,
  over,
});

/** The form of the settings, all subjects together: what is typed, whether it is saved, and saving it. */
export function useSettingsForm(
  settled: Settled,
  digits: number,
  mayChange: boolean,
  store: (input: unknown) => Promise<Answer<Settled>>,
) {
  const router = useRouter();
  const { message } = App.useApp();
  const [typed, setTyped] = useState(() => asTyped(settled));
  const [refused, setRefused] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const { done, notice } = useKeptForm(mayChange ? 'settings' : null, typed, asTyped(settled), setTyped);

  const save = async () => {
    setRefused(null);
    let wanted: Settled;
    try {
      const { usual, pricing, money } = typed;
      wanted = {
        depositInvoiceOnAcceptance: typed.deposit,
        validityDays: readDays('Prices hold for', typed.validity, 1, 365),
        paymentDays: readDays('Stage invoices are due after', typed.payment, 0, 180),
        ...readTypedTerms({ usual, pricing, money }, digits),
      };
    } catch (error) {
      setRefused((error as Error).message);
      return;
    }
    setSaving(true);
    const answer = await asked(store({ ...wanted, over: typed.over }));
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
  return {
    typed,
    type: (change: Partial<TypedSettings>) => setTyped((before) => ({ ...before, ...change })),
    unsaved: JSON.stringify(typed) !== JSON.stringify(asTyped(typed.over)),
    notice,
    refused,
    saving,
    save,
  };
}

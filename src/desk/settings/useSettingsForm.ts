import { App } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Settled } from '@/services/settings/settings';
import { alike, mergeOver } from '@/core/editing';
import { readDays, readTypedTerms } from '@/core/quantity';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import type { Part } from './ofSubject';
import { ofSubject } from './ofSubject';
import type { Subject } from './subjects';
import { isForm, subjects } from './subjects';

/** The settings as they stand in the form. */
export interface TypedSettings extends Part {
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

/** The form of the settings: what is typed in its subjects, which of it is not saved yet, and saving one of them. */
export function useSettingsForm(
  subject: Subject,
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

  const partOf = (which: Subject): TypedSettings => ({
    ...ofSubject(which, typed, asTyped(typed.over)),
    over: typed.over,
  });
  const isUnsaved = (which: Subject) => !alike(partOf(which), asTyped(typed.over));

  const elsewhere = subjects.filter(({ key }) => key !== subject && isForm(key) && isUnsaved(key));

  const save = async () => {
    setRefused(null);
    const part = partOf(subject);
    let wanted: Settled;
    try {
      const { usual, pricing, money } = part;
      wanted = {
        depositInvoiceOnAcceptance: part.deposit,
        validityDays: readDays('Prices hold for', part.validity, 1, 365),
        paymentDays: readDays('Stage invoices are due after', part.payment, 0, 180),
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
    setTyped((now) => ({ ...mergeOver(part, now, stored), over: stored.over }));
    if (elsewhere.length === 0) done();
    message.success('Settings saved.');
    router.refresh();
  };
  return {
    typed,
    type: (change: Partial<TypedSettings>) => setTyped((before) => ({ ...before, ...change })),
    unsaved: isUnsaved(subject),
    /** What else is typed and not saved, by its titles. */
    unsavedElsewhere: elsewhere.map(({ title }) => title),
    notice,
    refused,
    saving,
    save,
  };
}

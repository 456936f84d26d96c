'use client';

import { Alert, Button } from 'antd';
import type { listAreas } from '@/services/library/areas';
import type { Settled, readSettings } from '@/services/settings/settings';
import { minorDigits } from '@/core/number';
import type { Answer } from '@/model';
import { AreaTable } from './AreaTable';
import { SettingsSubject } from './SettingsSubjects';
import type { Subject } from './subjects';
import { isForm } from './subjects';
import { useSettingsForm } from './useSettingsForm';

/** How the company prices, bills and asks: one form over several subjects, of which one is shown. */
export function CompanySettings({
  subject,
  settings: { company, settled },
  areas,
  trades,
  sellers,
  mayChange,
  save,
  saveAreas,
}: {
  readonly subject: Subject;
  readonly settings: Awaited<ReturnType<typeof readSettings>>;
  readonly areas: Awaited<ReturnType<typeof listAreas>>;
  readonly trades: readonly string[];
  /** Who may get a commission. */
  readonly sellers: readonly { readonly id: string; readonly name: string }[];
  readonly mayChange: boolean;
  readonly save: (input: unknown) => Promise<Answer<Settled>>;
  readonly saveAreas: (text: string) => Promise<Answer<{ count: number }>>;
}) {
  const form = useSettingsForm(subject, settled, minorDigits(company.currency), mayChange, save);
  if (!isForm(subject)) return null;
  return (
    <>
      <div className="panel">
        {form.notice}
        <SettingsSubject
          subject={subject}
          typed={form.typed}
          type={form.type}
          disabled={!mayChange}
          currency={company.currency}
          trades={trades}
          sellers={sellers}
        />
        {mayChange ? (
          <div className="settings-save">
            {form.refused && <Alert type="error" title={form.refused} />}
            <Button type="primary" loading={form.saving} onClick={() => void form.save()}>
              Save
            </Button>{' '}
            {form.unsaved && <span className="soft">Not saved yet.</span>}
            {form.unsavedElsewhere.length > 0 && (
              <span className="soft"> Also not saved: {form.unsavedElsewhere.join(', ')}.</span>
            )}
          </div>
        ) : (
          <span className="soft">Your role does not change this.</span>
        )}
      </div>
      {subject === 'pricing' && <AreaTable areas={areas} isOwner={mayChange} save={saveAreas} />}
    </>
  );
}

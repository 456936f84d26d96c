'use client';

import { Button, Select } from 'antd';
import { moneyOf } from '@/core/number';
import { presetsBySize } from '@/core/schedule';
import type { CompanyMoney } from '@/model';
import { Track } from '@/ui/Track';
import { useEditor } from '../context';
import { Law } from './Law';
import { PaymentsTable } from './PaymentsTable';
import { StagesPanel } from './StagesPanel';
import { TermsPanel } from './TermsPanel';
import { usePayments } from './usePayments';

/** When money is due: deposit, stages, final. Adds up to the total at every moment, whatever the customer picks. */
export function PaymentsStep({ money: ours }: { readonly money: CompanyMoney }) {
  const { figures, readOnly } = useEditor();
  const payments = usePayments();
  const { total, minorDigits } = figures;
  const money = moneyOf(minorDigits);
  const presets = presetsBySize(ours.presets, total, minorDigits);
  return (
    <div className="step">
      <Track
        named
        height={18}
        parts={payments.payments.map(({ entry, amount }) => ({
          id: entry.id,
          name: entry.name,
          amount: money.write(amount),
        }))}
      />
      {payments.problems.map((problem) => (
        <p key={problem} className="wrong" role="alert">
          {problem}
        </p>
      ))}
      <Law money={ours} payments={payments.payments} total={total} minorDigits={minorDigits} />
      <PaymentsTable work={payments} />
      {!readOnly && (
        <div className="payments-acts">
          <Button onClick={payments.addStage}>Add a stage</Button>
          {presets.length > 0 && (
            <Select
              aria-label="Use a saved schedule"
              placeholder="Use a saved schedule"
              value={null}
              className="wide-name"
              onChange={(id: string | null) => {
                const preset = presets.find((each) => each.id === id);
                if (preset) payments.take(preset);
              }}
              options={presets.map(({ id, name, upTo }) => ({
                value: id,
                label: upTo === undefined ? name : `${name} (up to ${upTo})`,
              }))}
            />
          )}
        </div>
      )}
      <TermsPanel />
      <StagesPanel />
      <p className="soft">
        Amounts are for the choices as suggested; the customer sees them follow every choice they make.
      </p>
    </div>
  );
}

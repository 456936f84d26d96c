import type { CompanyMoney } from '@/model';
import { LateCosts } from './LateCosts';
import { ReminderSteps } from './ReminderSteps';

/** What paying late costs, and how customers are reminded. */
export function LateSettings({
  money,
  currency,
  disabled,
  change,
}: {
  readonly money: CompanyMoney;
  readonly currency: string;
  readonly disabled: boolean;
  readonly change: (money: CompanyMoney) => void;
}) {
  return (
    <>
      <LateCosts money={money} currency={currency} disabled={disabled} change={change} />
      <ReminderSteps money={money} disabled={disabled} change={change} />
    </>
  );
}

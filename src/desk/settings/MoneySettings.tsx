import type { CompanyMoney, UsualTerms } from '@/model';
import { MoneyLaws } from './MoneyLaws';
import { SchedulePresets } from './SchedulePresets';

/** Payment schedules by size of job, and what the law says about deposits and about cancelling. */
export function MoneySettings({
  money,
  usual,
  disabled,
  change,
}: {
  readonly money: CompanyMoney;
  readonly usual: UsualTerms;
  readonly disabled: boolean;
  readonly change: (money: CompanyMoney) => void;
}) {
  return (
    <>
      <SchedulePresets money={money} usual={usual} disabled={disabled} change={change} />
      <MoneyLaws money={money} disabled={disabled} change={change} />
    </>
  );
}

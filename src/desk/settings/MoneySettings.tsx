import { Input } from 'antd';
import type { CompanyMoney, UsualTerms } from '@/model';
import { MethodRows } from './MethodRows';
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
      <MethodRows money={money} disabled={disabled} change={change} />
      <MoneyLaws money={money} disabled={disabled} change={change} />
      <p className="settings-what">A letter with an invoice begins with</p>
      <Input.TextArea
        aria-label="A letter with an invoice begins with"
        disabled={disabled}
        maxLength={2000}
        autoSize={{ minRows: 2, maxRows: 8 }}
        placeholder="Thank you for having us."
        value={money.letter ?? ''}
        onChange={({ target }) => {
          const { letter: _, ...rest } = money;
          change(target.value === '' ? rest : { ...money, letter: target.value });
        }}
      />
      <p className="settings-what">
        A waiver that can go with an invoice. {'{customer}'}, {'{site}'}, {'{agreement}'}, {'{invoice}'},{' '}
        {'{amount}'}, {'{date}'} and {'{company}'} stand for what is known then.
      </p>
      <Input.TextArea
        aria-label="A waiver that can go with an invoice"
        disabled={disabled}
        maxLength={6000}
        autoSize={{ minRows: 2, maxRows: 12 }}
        placeholder="On receipt of {amount} for invoice {invoice} we waive …"
        value={money.waiver ?? ''}
        onChange={({ target }) => {
          const { waiver: _, ...rest } = money;
          change(target.value === '' ? rest : { ...money, waiver: target.value });
        }}
      />
    </>
  );
}

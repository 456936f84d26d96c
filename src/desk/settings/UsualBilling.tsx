import { Input, Radio } from 'antd';
import type { UsualTerms } from '@/model';

type Billing = NonNullable<UsualTerms['billing']>;

/** What proposals from nothing say of the deposit and of what is held back; each can say otherwise. */
export function UsualBilling({
  usual,
  disabled,
  change,
}: {
  readonly usual: UsualTerms;
  readonly disabled: boolean;
  readonly change: (next: UsualTerms) => void;
}) {
  const { billing = {} } = usual;
  const { retainage, ...rest } = billing;
  const put = (next: Billing) => {
    const { billing: _, ...others } = usual;
    change(Object.keys(next).length > 0 ? { ...others, billing: next } : others);
  };
  const hold = (percent: string, limit: string) =>
    put(
      percent === '' && limit === ''
        ? rest
        : { ...rest, retainage: { percent, ...(limit === '' ? {} : { limit }) } },
    );
  const { percent = '', limit = '' } = retainage ?? {};
  return (
    <fieldset className="settings-group" disabled={disabled}>
      <legend>A proposal from nothing says of the deposit</legend>
      <Radio.Group
        vertical
        disabled={disabled}
        value={billing.deposit ?? 'draw'}
        onChange={({ target }) => {
          const { deposit: _, ...without } = billing;
          put(target.value === 'advance' ? { ...without, deposit: 'advance' } : without);
        }}
        options={[
          { value: 'draw', label: 'it pays for the first part of the work' },
          { value: 'advance', label: 'it is paid up front and applied to each invoice' },
        ]}
      />
      <p className="settings-days settings-held">
        and holds back{' '}
        <Input
          disabled={disabled}
          aria-label="Retainage in percent"
          inputMode="decimal"
          maxLength={40}
          value={percent}
          onChange={({ target }) => hold(target.value, limit)}
        />{' '}
        % of each invoice as retainage, but never more than{' '}
        <Input
          disabled={disabled}
          aria-label="Most retainage, in percent of the whole"
          inputMode="decimal"
          maxLength={40}
          value={limit}
          onChange={({ target }) => hold(percent, target.value)}
        />{' '}
        % of the whole
      </p>
    </fieldset>
  );
}

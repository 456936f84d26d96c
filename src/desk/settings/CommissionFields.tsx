import { Input, Radio } from 'antd';
import type { CommissionTerms, CompanyPricing } from '@/model';

const nothing: CommissionTerms = { percent: '', of: 'price', when: 'paid' };

/** What sellers get of what they sell: one percentage for all, and others for some. */
export function CommissionFields({
  pricing,
  sellers,
  disabled,
  change,
}: {
  readonly pricing: CompanyPricing;
  readonly sellers: readonly { readonly id: string; readonly name: string }[];
  readonly disabled: boolean;
  readonly change: (pricing: CompanyPricing) => void;
}) {
  const { commission = nothing } = pricing;
  const { percent, bySeller = {} } = commission;
  const put = (next: CommissionTerms) => {
    const { commission: _, ...rest } = pricing;
    const none = next.percent === '' && Object.keys(next.bySeller ?? {}).length === 0;
    change(none ? rest : { ...rest, commission: next });
  };
  const putSeller = (id: string, text: string) => {
    const { bySeller: _, ...rest } = commission;
    const own = { ...bySeller };
    if (text === '') delete own[id];
    else own[id] = text;
    put(Object.keys(own).length > 0 ? { ...rest, bySeller: own } : rest);
  };
  const field = (label: string, value: string, hint: string, set: (text: string) => void, key = label) => (
    <label key={key}>
      {label}
      <Input
        inputMode="decimal"
        disabled={disabled}
        maxLength={40}
        placeholder={hint}
        value={value}
        onChange={({ target }) => set(target.value)}
      />
      <span className="soft">%</span>
    </label>
  );
  return (
    <fieldset className="settings-group" disabled={disabled}>
      <legend className="settings-what">Commission of who sold it, for the report; empty: none</legend>
      <div className="usual">
        {field('of each agreement', percent, 'none', (text) => put({ ...commission, percent: text }))}
        {sellers.map(({ id, name }) =>
          field(`of what ${name} sold`, bySeller[id] ?? '', percent, (text) => putSeller(id, text), id),
        )}
      </div>
      <Radio.Group
        vertical
        disabled={disabled}
        value={commission.of}
        onChange={({ target }) => put({ ...commission, of: target.value === 'margin' ? 'margin' : 'price' })}
        options={[
          { value: 'price', label: 'of the contract sum before tax, with its change orders' },
          { value: 'margin', label: 'of the margin it will leave at the end' },
        ]}
      />
      <Radio.Group
        vertical
        disabled={disabled}
        className="settings-when"
        value={commission.when}
        onChange={({ target }) => put({ ...commission, when: target.value === 'signed' ? 'signed' : 'paid' })}
        options={[
          { value: 'paid', label: 'earned in step with what the customer paid' },
          { value: 'signed', label: 'earned when it is signed' },
        ]}
      />
    </fieldset>
  );
}

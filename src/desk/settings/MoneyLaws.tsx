import { Checkbox, Select } from 'antd';
import { depositLaws, lawInWords, shippedLaws } from '@/core/schedule';
import type { CompanyMoney } from '@/model';
import { DepositLaws } from './DepositLaws';

/** What the law says about deposits and about cancelling, and whether it is held to here. */
export function MoneyLaws({
  money,
  disabled,
  change,
}: {
  readonly money: CompanyMoney;
  readonly disabled: boolean;
  readonly change: (money: CompanyMoney) => void;
}) {
  const { deposit, coolingOff } = money;
  const law = depositLaws(money).find(({ id }) => id === deposit?.place);
  const { deposit: _d, ...withoutDeposit } = money;
  const { coolingOff: _c, ...withoutCooling } = money;
  return (
    <>
      <p className="settings-what">Deposits are limited by the law of</p>
      <Select
        aria-label="Whose law limits deposits"
        disabled={disabled}
        className="wide-name"
        value={deposit?.place ?? ''}
        onChange={(place) =>
          change(place === '' ? withoutDeposit : { ...money, deposit: { blocks: false, ...deposit, place } })
        }
        options={[
          { value: '', label: 'no place of these' },
          ...depositLaws(money)
            .filter(({ place }) => place.trim() !== '')
            .map(({ id, place }) => ({ value: id, label: place })),
        ]}
      />
      {law && (
        <>
          {' '}
          <span className="soft">
            at most {lawInWords(law)} ({law.source})
            {shippedLaws.includes(law) && '; from memory, have it checked by a lawyer'}
          </span>
          <div className="above-less">
            <Checkbox
              disabled={disabled}
              checked={deposit!.blocks}
              onChange={({ target }) =>
                change({ ...money, deposit: { ...deposit!, blocks: target.checked } })
              }
            >
              A proposal with a higher deposit cannot be sent
            </Checkbox>
          </div>
        </>
      )}
      <DepositLaws money={money} disabled={disabled} change={change} />
      <div className="above-least">
        <Checkbox
          disabled={disabled}
          checked={coolingOff !== undefined}
          onChange={({ target }) =>
            change(target.checked ? { ...money, coolingOff: { holdDeposit: false } } : withoutCooling)
          }
        >
          Customers may cancel until the third business day after signing (FTC, 16 CFR Part 429)
        </Checkbox>
        {coolingOff && (
          <div className="above-least">
            <Checkbox
              disabled={disabled}
              checked={coolingOff.holdDeposit}
              onChange={({ target }) => change({ ...money, coolingOff: { holdDeposit: target.checked } })}
            >
              No deposit is billed before that
            </Checkbox>
          </div>
        )}
      </div>
    </>
  );
}

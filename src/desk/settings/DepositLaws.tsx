import { Button, Checkbox, Input } from 'antd';
import { shippedLaws, depositLaws, lawInWords } from '@/core/schedule';
import type { CompanyMoney, DepositLaw } from '@/model';

const MOST = 60;

/** The share as it is typed: `10 %` or `1/3`. */
const shareAsTyped = ({ share }: DepositLaw): string =>
  'of' in share ? `${share.of}/${share.in}` : share.percent;

/** A fraction is taken as one; everything else is read as a percentage when it is saved. */
function readShare(text: string): DepositLaw['share'] {
  const fraction = /^\s*(\d{1,2})\s*\/\s*(\d{1,3})\s*$/.exec(text);
  return fraction ? { of: Number(fraction[1]), in: Number(fraction[2]) } : { percent: text };
}

/** One law of the company's own, or as it corrected it. */
function LawFields({
  law,
  shipped,
  disabled,
  change,
  remove,
}: {
  readonly law: DepositLaw;
  readonly shipped: boolean;
  readonly disabled: boolean;
  readonly change: (law: DepositLaw) => void;
  readonly remove: () => void;
}) {
  const called = law.place || 'this place';
  const { most: _m, ...withoutMost } = law;
  const { orSpecialOrder: _o, ...withoutSpecial } = law;
  return (
    <fieldset className="deposit-law" disabled={disabled}>
      <Input
        aria-label="Place of the law"
        placeholder="Place"
        maxLength={120}
        disabled={disabled}
        value={law.place}
        onChange={({ target }) => change({ ...law, place: target.value })}
      />
      <label>
        at most{' '}
        <Input
          aria-label={`Share of the price in ${called}, as percent or fraction`}
          disabled={disabled}
          value={shareAsTyped(law)}
          onChange={({ target }) => change({ ...law, share: readShare(target.value) })}
        />{' '}
        {'of' in law.share ? 'of the price' : '% of the price'}
      </label>
      <label>
        and never more than{' '}
        <Input
          aria-label={`Most in ${called}`}
          placeholder="no limit"
          inputMode="decimal"
          disabled={disabled}
          value={law.most ?? ''}
          onChange={({ target }) =>
            change(target.value.trim() === '' ? withoutMost : { ...law, most: target.value })
          }
        />
      </label>
      <Checkbox
        disabled={disabled}
        checked={law.orSpecialOrder === true}
        onChange={({ target }) => change(target.checked ? { ...law, orSpecialOrder: true } : withoutSpecial)}
      >
        or what must be ordered specially
      </Checkbox>
      <Input
        aria-label={`Citation of the law of ${called}`}
        placeholder="Citation"
        maxLength={300}
        disabled={disabled}
        value={law.source}
        onChange={({ target }) => change({ ...law, source: target.value })}
      />
      {!disabled && (
        <Button size="small" type="text" onClick={remove}>
          {shipped ? 'As it was shipped' : 'Remove'}
        </Button>
      )}
    </fieldset>
  );
}

/** The laws on deposits: those shipped can be corrected, others added. */
export function DepositLaws({
  money,
  disabled,
  change,
}: {
  readonly money: CompanyMoney;
  readonly disabled: boolean;
  readonly change: (money: CompanyMoney) => void;
}) {
  const own = money.laws ?? [];
  const put = (laws: readonly DepositLaw[]) => {
    const { laws: _, ...rest } = money;
    change(laws.length === 0 ? rest : { ...money, laws: [...laws] });
  };
  const isShipped = (id: string) => shippedLaws.some((law) => law.id === id);
  return (
    <details className="deposit-laws">
      <summary>Laws on deposits: {depositLaws(money).length}</summary>
      <p className="soft">
        Those that came with the product are written from memory and not checked. Have a lawyer look at the
        one you go by, correct it here, or add yours.
      </p>
      {shippedLaws
        .filter(({ id }) => !own.some((law) => law.id === id))
        .map((law) => (
          <p key={law.id} className="deposit-law-shipped">
            <strong>{law.place}</strong>: at most {lawInWords(law)}. {law.source}{' '}
            <span className="wrong">from memory, not checked</span>{' '}
            {!disabled && (
              <Button size="small" onClick={() => put([...own, law])}>
                Correct {law.place}
              </Button>
            )}
          </p>
        ))}
      {own.map((law) => (
        <LawFields
          key={law.id}
          law={law}
          shipped={isShipped(law.id)}
          disabled={disabled}
          change={(next) => put(own.map((each) => (each.id === law.id ? next : each)))}
          remove={() => put(own.filter(({ id }) => id !== law.id))}
        />
      ))}
      {!disabled && own.length < MOST && (
        <Button
          size="small"
          onClick={() =>
            put([
              ...own,
              { id: `law-${crypto.randomUUID().slice(0, 8)}`, place: '', source: '', share: { percent: '' } },
            ])
          }
        >
          Add a law
        </Button>
      )}
    </details>
  );
}

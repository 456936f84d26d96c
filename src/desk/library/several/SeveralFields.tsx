import { AutoComplete, Input, Select } from 'antd';
import { raisableTypes } from '@/core/importing';
import { costTypeName } from '@/core/text/names';
import type { SeveralField, UnitCode, UsualTerms } from '@/model';
import { useOurCompany } from '@/desk/companies/OurCompany';
import { unitName, unitsFor } from '@/model';
import { OwnLoads } from '../item/OwnLoads';
import type { SeveralTyped } from './severalDraft';

/** One value for all, out of those there are. */
function Becomes<T extends string>({
  value,
  options,
  change,
}: {
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly change: (value: T) => void;
}) {
  return (
    <div className="several-field">
      becomes
      <Select<T> aria-label="becomes" value={value} options={[...options]} onChange={change} />
    </div>
  );
}

function BecomesUnit({
  value,
  change,
}: {
  readonly value: UnitCode;
  readonly change: (unit: UnitCode) => void;
}) {
  const { units, ownUnits } = useOurCompany();
  const options = unitsFor(units, ownUnits).map((unit) => ({ value: unit, label: unitName(unit) }));
  return <Becomes<UnitCode> value={value} options={options} change={change} />;
}

/** The fields of one kind of change: words for words, one value for all, tags on and off, a percentage. */
export function SeveralFields({
  field,
  typed,
  type,
  trades,
  usual,
  look,
}: {
  readonly field: SeveralField;
  readonly typed: SeveralTyped;
  readonly type: (patch: Partial<SeveralTyped>) => void;
  readonly trades: readonly string[];
  readonly usual: UsualTerms;
  /** Enter shows what it makes. */
  readonly look: () => void;
}) {
  const text = (key: 'find' | 'put' | 'set' | 'add' | 'drop' | 'percent', label: string, hint = '') => (
    <label className="several-field">
      {label}
      <Input
        aria-label={label}
        placeholder={hint}
        maxLength={key === 'put' ? 2000 : 200}
        value={typed[key]}
        onChange={({ target }) => type({ [key]: target.value })}
        onPressEnter={look}
      />
    </label>
  );
  switch (field) {
    case 'name':
    case 'code':
      return (
        <>
          {text('find', 'These words', '2x6')}
          {text('put', 'become', '2×6')}
        </>
      );
    case 'detail':
    case 'internalNote':
    case 'supplierNote':
      return (
        <>
          {text('find', 'These words', 'empty: the whole text')}
          {text('put', 'become', 'empty: nothing')}
        </>
      );
    case 'trade':
      return (
        <div className="several-field">
          becomes
          <AutoComplete
            aria-label="becomes"
            value={typed.set}
            options={trades.map((value) => ({ value }))}
            showSearch={{
              filterOption: (words, option) =>
                String(option?.value).toLowerCase().includes(words.toLowerCase()),
            }}
            onChange={(set: string) => type({ set: set.slice(0, 60) })}
          />
        </div>
      );
    case 'costCode':
      return text('set', 'becomes', 'empty: none');
    case 'unit':
      return <BecomesUnit value={typed.unit} change={(unit) => type({ unit })} />;
    case 'taxClass':
      return (
        <Becomes
          value={typed.taxClass}
          options={usual.taxClasses
            .filter(({ retired }) => !retired)
            .map(({ id, name }) => ({ value: id, label: name }))}
          change={(taxClass) => type({ taxClass })}
        />
      );
    case 'waste':
      return text('set', 'becomes, %', 'empty: none');
    case 'pack':
    case 'minimumCharge':
      return text('set', 'becomes', 'empty: none');
    case 'tags':
      return (
        <>
          {text('add', 'Put on', 'porch, cedar')}
          {text('drop', 'Take off')}
        </>
      );
    case 'costs':
      return (
        <>
          <div className="several-field">
            of
            <Select
              mode="multiple"
              aria-label="Cost types"
              value={[...typed.costTypes]}
              options={raisableTypes.map((value) => ({ value, label: costTypeName(value) }))}
              onChange={(costTypes) => type({ costTypes })}
            />
          </div>
          {text('percent', 'by percent', '4.5')}
        </>
      );
    case 'loads':
      return (
        <OwnLoads
          title={null}
          loads={typed.loads ?? undefined}
          usual={usual.loads}
          readOnly={false}
          change={(loads) => type({ loads })}
        />
      );
    case 'breaks':
    case 'picture':
      return <p className="several-field">is taken away</p>;
  }
}

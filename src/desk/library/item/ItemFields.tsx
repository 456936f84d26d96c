import { AutoComplete, Input, Select } from 'antd';
import type { CostCodes, ItemInput, UsualTerms } from '@/model';
import { useOurCompany } from '@/desk/companies/OurCompany';
import { costCodeFor, unitName, unitsFor, withOwn } from '@/model';
import { WordsField } from '@/ui/fields/WordsField';

interface ItemFieldsProps {
  readonly item: ItemInput;
  readonly usual: UsualTerms;
  readonly costCodes: CostCodes;
  readonly readOnly: boolean;
  readonly change: (patch: Partial<ItemInput>) => void;
}

/** What an item is called, how it is counted and taxed, and how it is found. */
export function ItemFields({ item, usual, costCodes, readOnly, change }: ItemFieldsProps) {
  const { units: measuring, ownUnits } = useOurCompany();
  const text = (field: 'code' | 'name' | 'trade', label: string) => (
    <label className="recipe-field">
      {label}
      <Input
        value={item[field]}
        readOnly={readOnly}
        maxLength={field === 'name' ? 200 : 40}
        onChange={({ target }) => change({ [field]: target.value })}
      />
    </label>
  );
  return (
    <>
      <div className="recipe-head">
        {text('code', 'Code')}
        {text('name', 'Name')}
        {text('trade', 'Trade')}
      </div>
      <div className="item-head">
        <label className="recipe-field">
          Unit
          <Select
            className="full-width"
            disabled={readOnly}
            value={item.unit}
            options={unitsFor(measuring, withOwn(ownUnits, item.unit)).map((value) => ({
              value,
              label: unitName(value),
            }))}
            onChange={(unit: ItemInput['unit']) => change({ unit })}
          />
        </label>
        <label className="recipe-field">
          Tax
          <Select
            className="full-width"
            disabled={readOnly}
            value={item.taxClass}
            options={usual.taxClasses
              .filter(({ id, retired }) => !retired || id === item.taxClass)
              .map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(taxClass: string) => change({ taxClass })}
          />
        </label>
        <label className="recipe-field">
          Cost code
          <AutoComplete
            className="full-width"
            aria-label="Cost code"
            value={item.costCode}
            disabled={readOnly}
            maxLength={40}
            placeholder={costCodeFor('', item.trade, costCodes)}
            options={costCodes.codes.map(({ code, name }) => ({
              value: code,
              label: name === '' ? code : `${code} ${name}`,
            }))}
            showSearch={{
              filterOption: (typed, option) =>
                String(option?.label ?? '')
                  .toLowerCase()
                  .includes(typed.toLowerCase()),
            }}
            onChange={(costCode: string) => change({ costCode: (costCode ?? '').slice(0, 40) })}
          />
        </label>
        <WordsField
          label="Words to find it by"
          words={item.tags}
          most={20}
          readOnly={readOnly}
          change={(tags) => change({ tags })}
        />
      </div>
    </>
  );
}

/** A longer text of an item; what is only for us looks it. */
export function ItemText({
  item,
  field,
  label,
  ours = false,
  readOnly,
  change,
}: Omit<ItemFieldsProps, 'usual' | 'costCodes'> & {
  readonly field: 'detail' | 'internalNote' | 'supplierNote';
  readonly label: string;
  readonly ours?: boolean;
}) {
  return (
    <label className={`recipe-field ${ours ? 'details-ours' : ''}`}>
      {label}
      <Input.TextArea
        autoSize
        value={item[field] ?? ''}
        readOnly={readOnly}
        maxLength={2000}
        onChange={({ target }) => change({ [field]: target.value })}
      />
    </label>
  );
}

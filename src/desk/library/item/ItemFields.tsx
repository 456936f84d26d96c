import { Input, Select } from 'antd';
import type { ItemInput, UsualTerms } from '@/model';
import { units } from '@/model';
import { WordsField } from '@/ui/fields/WordsField';

interface ItemFieldsProps {
  readonly item: ItemInput;
  readonly usual: UsualTerms;
  readonly readOnly: boolean;
  readonly change: (patch: Partial<ItemInput>) => void;
}

/** What an item is called, how it is counted and taxed, and how it is found. */
export function ItemFields({ item, usual, readOnly, change }: ItemFieldsProps) {
  const text = (field: 'code' | 'name' | 'trade' | 'costCode', label: string) => (
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
            options={Object.entries(units).map(([value, { name }]) => ({ value, label: name }))}
            onChange={(unit: ItemInput['unit']) => change({ unit })}
          />
        </label>
        <label className="recipe-field">
          Tax
          <Select
            className="full-width"
            disabled={readOnly}
            value={item.taxClass}
            options={usual.taxClasses.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(taxClass: string) => change({ taxClass })}
          />
        </label>
        {text('costCode', 'Cost code')}
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
}: Omit<ItemFieldsProps, 'usual'> & {
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

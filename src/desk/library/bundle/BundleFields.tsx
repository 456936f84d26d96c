import { Input, Segmented } from 'antd';
import type { BundleInLibrary } from '@/model';
import { WordsField } from '@/ui/fields/WordsField';
import { LibraryPictureField } from '../LibraryPictureField';

/** What a bundle is called, how it is found, and what the customer reads of it. */
export function BundleFields({
  draft,
  readOnly,
  change,
}: {
  readonly draft: BundleInLibrary;
  readonly readOnly: boolean;
  readonly change: (patch: Partial<BundleInLibrary>) => void;
}) {
  const text = (field: 'code' | 'name' | 'trade', label: string, hint?: string) => (
    <label className="recipe-field">
      {label}
      <Input
        value={draft[field]}
        maxLength={field === 'name' ? 200 : 60}
        readOnly={readOnly}
        {...(hint === undefined ? {} : { placeholder: hint })}
        onChange={({ target }) => change({ [field]: target.value })}
      />
    </label>
  );
  return (
    <>
      <div className="recipe-head">
        {text('code', 'Code')}
        {text('name', 'Name, as the customer reads it', 'Railing, {run}')}
        {text('trade', 'Trade')}
      </div>
      <LibraryPictureField
        picture={draft.picture ?? null}
        trade={draft.trade}
        name={draft.name}
        readOnly={readOnly}
        change={(picture) => change({ picture })}
      />
      <label className="recipe-field">
        The customer reads below it; {'{run}'} stands for the value of an input or a part
        <Input.TextArea
          autoSize
          value={draft.detail}
          readOnly={readOnly}
          maxLength={2000}
          onChange={({ target }) => change({ detail: target.value })}
        />
      </label>
      <div className="recipe-head recipe-small">
        <WordsField
          label="Words to find it by"
          words={draft.tags}
          most={20}
          readOnly={readOnly}
          change={(tags) => change({ tags })}
        />
        <div className="recipe-field">
          To the customer
          <Segmented
            disabled={readOnly}
            value={draft.shows}
            options={[
              { value: 'one', label: 'One line' },
              { value: 'parts', label: 'Its parts' },
            ]}
            onChange={(shows: BundleInLibrary['shows']) => change({ shows })}
          />
        </div>
      </div>
    </>
  );
}

import type { SelectProps } from 'antd';
import { Select } from 'antd';
import type { OfferedThings } from './useOffered';

/** What stands for one that is not there yet. */
const NEW = 'new';

/** A field that offers what has the words that are typed; that there is more is said below. */
export function OfferedSelect<Thing extends { readonly id: string }>({
  things,
  label,
  what,
  addNew,
  ...field
}: Omit<SelectProps<string>, 'options' | 'showSearch' | 'loading'> & {
  readonly things: OfferedThings<Thing>;
  readonly label: (thing: Thing) => string;
  /** What it offers, as “customers”. */
  readonly what: string;
  /** Makes one of what is typed, where it is none of those there are. */
  readonly addNew?: { readonly label: (words: string) => string; readonly act: (words: string) => void };
}) {
  const { words } = things;
  const offersNew = addNew && words !== '' && !things.waiting && !things.trouble;
  const empty = things.waiting ? 'Looking…' : (things.trouble ?? `No ${what} have these words.`);
  return (
    <Select<string>
      {...field}
      // Nothing is shown as picked that the form does not hold.
      {...(field.value === undefined ? { value: null } : {})}
      onChange={(value, option) => {
        if (value === NEW) addNew?.act(words);
        else field.onChange?.(value, option);
      }}
      showSearch={{ filterOption: false, onSearch: things.search }}
      // Once it is closed the words are gone from the field, and what they narrowed with them.
      onOpenChange={(open) => {
        if (!open) things.search('');
      }}
      loading={things.waiting}
      notFoundContent={empty}
      labelRender={({ value, label: shown }) => {
        const thing = things.of(String(value));
        return thing ? label(thing) : typeof shown === 'string' ? shown : '…';
      }}
      options={[
        ...things.found.map((thing) => ({ value: thing.id, label: label(thing) })),
        ...(things.more
          ? [{ value: '', label: `There are more ${what}: type more of the name.`, disabled: true }]
          : []),
        ...(offersNew ? [{ value: NEW, label: addNew.label(words) }] : []),
      ]}
    />
  );
}

import { Select } from 'antd';
import type { BundleInput } from '@/model';
import { Cell } from '@/ui/live/Cell';

const kinds: Record<BundleInput['kind'], string> = {
  length: 'Length',
  area: 'Area',
  count: 'Count',
  number: 'Number',
  yesno: 'Yes or no',
  oneof: 'One of a list',
};

type Optional = 'fromSpace' | 'minimum' | 'maximum' | 'help';

/** The input with a field that may be left out, empty: left out. */
function withOptional(input: BundleInput, field: Optional, text: string): BundleInput {
  const { [field]: _, ...rest } = input;
  return text.trim() === '' ? rest : { ...rest, [field]: text.trim() };
}

/** The input as one of another kind, with what that kind needs to begin with. */
const ofKind = (input: BundleInput, kind: BundleInput['kind']): BundleInput => ({
  ...input,
  kind,
  ...(kind === 'yesno' ? { default: 'no' } : {}),
  ...(kind === 'oneof' ? { options: ['one', 'other'], default: 'one' } : {}),
});

/** @throws Error where the list names nothing */
function readList(text: string): string[] {
  const options = text
    .split(',')
    .map((option) => option.trim())
    .filter(Boolean);
  if (options.length === 0) throw new Error('A list of at least one.');
  return options;
}

/** One thing a bundle asks for: each of its fields is a cell. */
export function InputRow({
  input,
  readOnly,
  set,
  rename,
  remove,
}: {
  readonly input: BundleInput;
  readonly readOnly: boolean;
  readonly set: (input: BundleInput) => void;
  readonly rename: (text: string) => void;
  readonly remove: () => void;
}) {
  const cell = (name: string, label: string, shown: string, commit: (text: string) => void) => (
    <td>
      <Cell
        name={name}
        label={`${label}: ${input.label}`}
        shown={shown}
        readOnly={readOnly}
        commit={commit}
      />
    </td>
  );
  const optional = (name: string, label: string, field: Optional) =>
    cell(name, label, input[field] ?? '', (text) => set(withOptional(input, field, text)));
  return (
    <tr>
      {cell('in-name', 'Name', input.name, rename)}
      {cell('in-label', 'Label', input.label, (text) => {
        if (text.trim() === '') throw new Error('It needs a label.');
        set({ ...input, label: text.trim().slice(0, 200) });
      })}
      <td>
        <Select<BundleInput['kind']>
          size="small"
          popupMatchSelectWidth={false}
          aria-label={`Kind: ${input.label}`}
          disabled={readOnly}
          value={input.kind}
          onChange={(kind) => set(ofKind(input, kind))}
          options={Object.entries(kinds).map(([value, label]) => ({
            value: value as BundleInput['kind'],
            label,
          }))}
        />
      </td>
      {cell('in-default', 'As usual', input.default, (text) => set({ ...input, default: text.trim() }))}
      {optional('in-space', 'From the dimensions', 'fromSpace')}
      {optional('in-least', 'Least', 'minimum')}
      {optional('in-most', 'Most', 'maximum')}
      {input.kind === 'oneof'
        ? cell('in-help', 'List, with commas', (input.options ?? []).join(', '), (text) =>
            set({ ...input, options: readList(text) }),
          )
        : optional('in-help', 'Help', 'help')}
      <td>
        {!readOnly && (
          <button
            type="button"
            className="grip grip-shown"
            aria-label={`Remove ${input.label}`}
            onClick={remove}
          >
            ×
          </button>
        )}
      </td>
    </tr>
  );
}

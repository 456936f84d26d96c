import type { BundlePart } from '@/model';
import { Cell } from '@/ui/live/Cell';
import type { Named } from './draft';
import type { PartEdits } from './partEdits';

/** What a bundle within is given for each of its inputs, and how many of it there are. */
export function InnerInputs({
  part,
  at,
  named,
  readOnly,
  edits,
}: {
  readonly part: BundlePart;
  readonly at: number;
  readonly named: Named;
  readonly readOnly: boolean;
  readonly edits: PartEdits;
}) {
  const inner = named.within[part.bundle];
  const field = (
    key: string,
    words: string,
    label: string,
    shown: string,
    usual: string,
    commit: (text: string) => void,
  ) => (
    <label key={key} className="recipe-grade">
      <span className="soft">{words}</span>
      <Cell
        name="inner"
        label={label}
        shown={shown}
        placeholder={usual}
        readOnly={readOnly}
        commit={(text) => commit(text.trim())}
      />
    </label>
  );
  return (
    <tr className="recipe-grades">
      <td />
      <td colSpan={6}>
        {inner?.recipe.inputs.map((input) =>
          field(
            input.name,
            input.label,
            `${input.label} of ${inner.name}`,
            part.values[input.name] ?? '',
            input.default,
            (text) => {
              const { [input.name]: _, ...values } = part.values;
              edits.set(at, { ...part, values: text === '' ? values : { ...values, [input.name]: text } });
            },
          ),
        )}
        {field('times', 'How many of it', `How many of ${part.name}`, part.times ?? '', '1', (text) => {
          const { times: _, ...rest } = part;
          edits.set(at, text === '' ? rest : { ...rest, times: text });
        })}
      </td>
    </tr>
  );
}

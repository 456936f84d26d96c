'use client';

import { Button, Select } from 'antd';
import type { BundleInput, Recipe } from '@/model';
import { identifierPattern } from '@/model';
import { Cell } from '../../ui/live/Cell';
import { nameFrom, namesTaken, renamed } from './draft';

const kinds: Record<BundleInput['kind'], string> = {
  length: 'Length',
  area: 'Area',
  count: 'Count',
  number: 'Number',
  yesno: 'Yes or no',
  oneof: 'One of a list',
};

const isName = new RegExp(identifierPattern);

/** @throws Error in words for what cannot be a name in formulas. */
export function checkName(text: string, taken: readonly string[]): string {
  const name = text.trim();
  if (!isName.test(name)) throw new Error('A name is letters, digits and _, beginning with a letter.');
  if (taken.includes(name)) throw new Error(`“${name}” is taken.`);
  return name;
}

/** What a bundle asks for. */
export function InputsTable({
  recipe,
  readOnly,
  change,
}: {
  readonly recipe: Recipe;
  readonly readOnly: boolean;
  readonly change: (recipe: Recipe) => void;
}) {
  const set = (at: number, input: BundleInput) =>
    change({ ...recipe, inputs: recipe.inputs.map((each, i) => (i === at ? input : each)) });
  const optional = (
    at: number,
    input: BundleInput,
    field: 'fromSpace' | 'minimum' | 'maximum' | 'help',
    text: string,
  ) => {
    const { [field]: _, ...rest } = input;
    set(at, text.trim() === '' ? rest : { ...rest, [field]: text.trim() });
  };
  const add = () => {
    const label = 'Width';
    change({
      ...recipe,
      inputs: [
        ...recipe.inputs,
        { name: nameFrom(label, [...namesTaken(recipe), 'width']), label, kind: 'length', default: '4' },
      ],
    });
  };
  return (
    <section>
      <h2>It asks for</h2>
      {recipe.inputs.length > 0 && (
        <table className="table-plain recipe-table">
          <thead>
            <tr>
              <th className="recipe-name">Name in formulas</th>
              <th>Label</th>
              <th>Kind</th>
              <th>As usual</th>
              <th>From the dimensions</th>
              <th>Least</th>
              <th>Most</th>
              <th>Help, or the list</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {recipe.inputs.map((input, i) => {
              const cell = (name: string, label: string, shown: string, commit: (text: string) => void) => (
                <Cell
                  name={name}
                  label={`${label}: ${input.label}`}
                  shown={shown}
                  readOnly={readOnly}
                  commit={commit}
                />
              );
              return (
                <tr key={i}>
                  <td>
                    {cell('in-name', 'Name', input.name, (text) => {
                      const others = namesTaken(recipe).filter((name) => name !== input.name);
                      change(renamed(recipe, input.name, checkName(text, others)));
                    })}
                  </td>
                  <td>
                    {cell('in-label', 'Label', input.label, (text) => {
                      if (text.trim() === '') throw new Error('It needs a label.');
                      set(i, { ...input, label: text.trim().slice(0, 200) });
                    })}
                  </td>
                  <td>
                    <Select
                      size="small"
                      popupMatchSelectWidth={false}
                      aria-label={`Kind: ${input.label}`}
                      disabled={readOnly}
                      value={input.kind}
                      onChange={(picked: string) => {
                        const kind = picked as BundleInput['kind'];
                        set(i, {
                          ...input,
                          kind,
                          ...(kind === 'yesno' ? { default: 'no' } : {}),
                          ...(kind === 'oneof' ? { options: ['one', 'other'], default: 'one' } : {}),
                        });
                      }}
                      options={[
                        ...Object.entries(kinds).map(([value, label]) => ({ value: value, label: label })),
                      ]}
                    />
                  </td>
                  <td>
                    {cell('in-default', 'As usual', input.default, (text) =>
                      set(i, { ...input, default: text.trim() }),
                    )}
                  </td>
                  <td>
                    {cell('in-space', 'From the dimensions', input.fromSpace ?? '', (text) =>
                      optional(i, input, 'fromSpace', text),
                    )}
                  </td>
                  <td>
                    {cell('in-least', 'Least', input.minimum ?? '', (text) =>
                      optional(i, input, 'minimum', text),
                    )}
                  </td>
                  <td>
                    {cell('in-most', 'Most', input.maximum ?? '', (text) =>
                      optional(i, input, 'maximum', text),
                    )}
                  </td>
                  <td>
                    {input.kind === 'oneof'
                      ? cell('in-help', 'List, with commas', (input.options ?? []).join(', '), (text) => {
                          const options = text
                            .split(',')
                            .map((option) => option.trim())
                            .filter(Boolean);
                          if (options.length === 0) throw new Error('A list of at least one.');
                          set(i, { ...input, options });
                        })
                      : cell('in-help', 'Help', input.help ?? '', (text) => optional(i, input, 'help', text))}
                  </td>
                  <td>
                    {!readOnly && (
                      <button
                        type="button"
                        className="grip grip-shown"
                        aria-label={`Remove ${input.label}`}
                        onClick={() =>
                          change({ ...recipe, inputs: recipe.inputs.filter((_, at) => at !== i) })
                        }
                      >
                        ×
                      </button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {!readOnly && (
        <Button size="small" onClick={add}>
          Ask for something more
        </Button>
      )}
    </section>
  );
}

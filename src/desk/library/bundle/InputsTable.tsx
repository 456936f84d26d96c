'use client';

import { Button } from 'antd';
import { nameFrom, namesTaken, renamed } from '@/core/bundle';
import type { Recipe } from '@/model';
import { checkName } from './checkName';
import { InputRow } from './InputRow';

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
              <th className="recipe-label">Label</th>
              <th>Kind</th>
              <th>As usual</th>
              <th>From the dimensions</th>
              <th className="recipe-bound">Least</th>
              <th className="recipe-bound">Most</th>
              <th>Help, or the list</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {recipe.inputs.map((input, i) => (
              <InputRow
                key={i}
                input={input}
                readOnly={readOnly}
                set={(next) =>
                  change({ ...recipe, inputs: recipe.inputs.map((each, at) => (at === i ? next : each)) })
                }
                rename={(text) => {
                  const others = namesTaken(recipe).filter((name) => name !== input.name);
                  change(renamed(recipe, input.name, checkName(text, others)));
                }}
                remove={() => change({ ...recipe, inputs: recipe.inputs.filter((_, at) => at !== i) })}
              />
            ))}
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

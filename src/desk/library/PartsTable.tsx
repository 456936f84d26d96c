'use client';

import { Fragment, useState } from 'react';
import type { SizedPart } from '@/core/bundle';
import { showValue } from '@/core/bundle';
import { pricedItem } from '@/core/editing';
import { showAmount, showQuantity, writeFixed } from '@/core/number';
import type { BundleFigures } from '@/core/price';
import type { BundlePart, ItemPart, Recipe } from '@/model';
import { unitAfter } from '@/model';
import { Cell } from '../../ui/live/Cell';
import type { Found } from './search';
import { readBundle } from './search';
import type { Named } from './draft';
import { nameFrom, namesTaken, renamed } from './draft';
import { checkName } from './InputsTable';
import { LibraryPicker } from './LibraryPicker';

/** A formula with the place where it goes wrong marked. */
export function MarkedFormula({ formula, at }: { formula: string; at: number }) {
  const place = Math.min(at, formula.length);
  return (
    <code className="marked-formula">
      {formula.slice(0, place)}
      <mark>{formula.slice(place, place + 1) || ' '}</mark>
      {formula.slice(place + 1)}
    </code>
  );
}

type Part = ItemPart | BundlePart;
const absentWords = { grade: 'not in this grade', condition: 'not needed here', job: '' } as const;

interface PartsTableProps {
  readonly recipe: Recipe;
  readonly named: Named;
  readonly figures: BundleFigures;
  readonly minorDigits: number;
  readonly readOnly: boolean;
  readonly change: (recipe: Recipe) => void;
  readonly learn: (named: Named) => void;
}

/** The parts of a bundle: what each is, its formula, and what it comes to in the trial. */
export function PartsTable({
  recipe,
  named,
  figures,
  minorDigits,
  readOnly,
  change,
  learn,
}: PartsTableProps) {
  const [byGrade, setByGrade] = useState<string | null>(null);
  const sizedByName = new Map<string, SizedPart>(
    figures.sized.parts.filter(({ path }) => !path.includes('.')).map((part) => [part.path, part]),
  );
  const set = (at: number, part: Part) =>
    change({ ...recipe, parts: recipe.parts.map((each, i) => (i === at ? part : each)) });
  const learnItem = (found: Extract<Found, { kind: 'item' }>) => {
    learn({ ...named, items: { ...named.items, [found.item.id]: pricedItem(found.item) } });
    return found.item.id;
  };
  const learnBundle = async (id: string) => {
    const { makeup, name } = await readBundle(id);
    learn({
      items: { ...named.items, ...makeup.items },
      within: { ...named.within, ...makeup.within, [id]: { name, recipe: makeup.recipe } },
    });
  };
  const newId = () => {
    const ids = recipe.parts.map(({ id }) => id);
    let n = recipe.parts.length + 1;
    while (ids.includes(`p${n}`)) n += 1;
    return `p${n}`;
  };
  const add = (taken: Found | string) => {
    const taken_ = namesTaken(recipe);
    const first = recipe.inputs[0]?.name ?? '1';
    if (typeof taken === 'string') {
      const name = nameFrom('figure', taken_);
      change({ ...recipe, parts: [...recipe.parts, { id: newId(), name, item: null, quantity: first }] });
    } else if (taken.kind === 'item') {
      const { name: words, unit } = taken.item;
      const quantity =
        unit === 'ft' || unit === 'sqft' ? first : first === '1' ? '1' : `ceil(${first} / 8ft) + 1`;
      learnItem(taken);
      const name = nameFrom(words, taken_);
      change({ ...recipe, parts: [...recipe.parts, { id: newId(), name, item: taken.item.id, quantity }] });
    } else {
      const { id, name: words, recipe: inner } = taken.bundle;
      const values = Object.fromEntries(
        inner.inputs
          .filter(({ name }) => recipe.inputs.some((input) => input.name === name))
          .map(({ name }) => [name, name]),
      );
      void learnBundle(id);
      const name = nameFrom(words.replace(/\{.*?\}/g, ''), taken_);
      change({ ...recipe, parts: [...recipe.parts, { id: newId(), name, bundle: id, values }] });
    }
  };
  const move = (at: number, by: 1 | -1) => {
    const parts = [...recipe.parts];
    const [part] = parts.splice(at, 1);
    parts.splice(at + by, 0, part!);
    change({ ...recipe, parts });
  };

  const itemName = (key: string | null) =>
    key === null ? null : (named.items[key]?.description ?? 'not there');

  /** What the part is in other grades, in few words; opened, each grade can be set. */
  const gradeRow = (part: ItemPart, at: number) => {
    const own = Object.entries(part.grades ?? {});
    const isOpen = byGrade === part.id;
    if (own.length === 0 && !isOpen) return null;
    const nameOf = (id: string) => recipe.grades.find((grade) => grade.id === id)?.name ?? id;
    const setGrade = (id: string, key: string | null | undefined) => {
      const grades = { ...part.grades };
      if (key === undefined) delete grades[id];
      else grades[id] = key;
      const { grades: _, ...rest } = part;
      set(at, Object.keys(grades).length === 0 ? rest : { ...rest, grades });
    };
    return (
      <tr className="recipe-grades">
        <td />
        <td colSpan={6}>
          {isOpen
            ? recipe.grades.map((grade) => {
                const key = part.grades?.[grade.id];
                return (
                  <label key={grade.id} className="recipe-grade">
                    <span className="soft">{grade.name}</span>
                    <LibraryPicker
                      label={`${part.name} in ${grade.name}`}
                      placeholder="as above"
                      shown={key === undefined ? null : key === null ? 'left out' : itemName(key)}
                      extra={[
                        { value: 'as', label: 'as above' },
                        { value: 'out', label: 'left out in this grade' },
                      ]}
                      pick={(taken) =>
                        setGrade(
                          grade.id,
                          typeof taken === 'string'
                            ? taken === 'out'
                              ? null
                              : undefined
                            : taken.kind === 'item'
                              ? learnItem(taken)
                              : undefined,
                        )
                      }
                    />
                  </label>
                );
              })
            : own.map(([id, key]) => (
                <span key={id} className="recipe-swap">
                  <span className="soft">{nameOf(id)}:</span>{' '}
                  {key === null ? <span className="soft">left out</span> : itemName(key)}
                </span>
              ))}
        </td>
      </tr>
    );
  };

  const innerRows = (part: BundlePart, at: number) => {
    const inner = named.within[part.bundle];
    return (
      <tr className="recipe-grades">
        <td />
        <td colSpan={6}>
          {(inner?.recipe.inputs ?? []).map((input) => (
            <label key={input.name} className="recipe-grade">
              <span className="soft">{input.label}</span>
              <Cell
                name="inner"
                label={`${input.label} of ${inner!.name}`}
                shown={part.values[input.name] ?? ''}
                placeholder={input.default}
                readOnly={readOnly}
                commit={(text) => {
                  const { [input.name]: _, ...values } = part.values;
                  set(at, {
                    ...part,
                    values: text.trim() === '' ? values : { ...values, [input.name]: text.trim() },
                  });
                }}
              />
            </label>
          ))}
          <label className="recipe-grade">
            <span className="soft">How many of it</span>
            <Cell
              name="inner"
              label={`How many of ${part.name}`}
              shown={part.times ?? ''}
              placeholder="1"
              readOnly={readOnly}
              commit={(text) => {
                const { times: _, ...rest } = part;
                set(at, text.trim() === '' ? rest : { ...rest, times: text.trim() });
              }}
            />
          </label>
        </td>
      </tr>
    );
  };

  return (
    <section>
      <h2>It is made of</h2>
      {recipe.parts.length > 0 && (
        <table className="table-plain recipe-table">
          <thead>
            <tr>
              <th className="recipe-name">Name in formulas</th>
              <th className="recipe-item">Item</th>
              <th>Quantity</th>
              <th className="recipe-when">Only when</th>
              <th className="amount recipe-value">Comes to</th>
              <th className="amount recipe-cost">Cost</th>
              <th className="recipe-acts" />
            </tr>
          </thead>
          <tbody>
            {recipe.parts.map((part, i) => {
              const sized = sizedByName.get(part.id);
              const line = figures.lines.find((each) => each.line.id === `trial.${part.id}`);
              const isBundle = 'bundle' in part;
              const trouble = sized?.trouble;
              return (
                <Fragment key={part.id}>
                  <tr>
                    <td>
                      <Cell
                        name="part-name"
                        label={`Name of part ${i + 1}`}
                        shown={part.name}
                        readOnly={readOnly}
                        commit={(text) => {
                          const others = namesTaken(recipe).filter((name) => name !== part.name);
                          change(renamed(recipe, part.name, checkName(text, others)));
                        }}
                      />
                    </td>
                    <td>
                      {isBundle ? (
                        <span className="recipe-bundle">
                          {named.within[part.bundle]?.name ?? 'a bundle that is not there'}
                        </span>
                      ) : (
                        <LibraryPicker
                          label={`Item of ${part.name}`}
                          placeholder={part.grades ? 'only in some grades' : 'a figure only'}
                          shown={itemName(part.item)}
                          extra={[{ value: 'figure', label: 'a figure only, for other formulas' }]}
                          pick={(taken) =>
                            set(i, {
                              ...part,
                              item:
                                typeof taken === 'string'
                                  ? null
                                  : taken.kind === 'item'
                                    ? learnItem(taken)
                                    : null,
                            })
                          }
                        />
                      )}
                    </td>
                    <td>
                      {!isBundle && (
                        <Cell
                          name="part-quantity"
                          label={`Quantity of ${part.name}`}
                          shown={part.quantity}
                          mark={trouble ? 'open' : undefined}
                          readOnly={readOnly}
                          commit={(text) => {
                            if (text.trim() === '') throw new Error('It needs a quantity.');
                            set(i, { ...part, quantity: text.trim() });
                          }}
                        />
                      )}
                    </td>
                    <td>
                      <Cell
                        name="part-when"
                        label={`${part.name} only when`}
                        shown={part.when ?? ''}
                        readOnly={readOnly}
                        commit={(text) => {
                          const { when: _, ...rest } = part;
                          set(i, text.trim() === '' ? rest : { ...rest, when: text.trim() });
                        }}
                      />
                    </td>
                    <td className="amount">
                      {line
                        ? `${showQuantity(line.quantity)} ${unitAfter(writeFixed(line.quantity), line.line.unit)}`
                        : sized?.value && !sized.absent && !isBundle
                          ? showValue(sized.value)
                          : ''}
                      {sized?.absent && <span className="soft">{absentWords[sized.absent]}</span>}
                    </td>
                    <td className="amount">{line && showAmount(line.costAmount, minorDigits)}</td>
                    <td className="recipe-acts">
                      {!readOnly && (
                        <>
                          {!isBundle && recipe.grades.length > 0 && (
                            <button
                              type="button"
                              className="grip grip-shown"
                              aria-expanded={byGrade === part.id}
                              aria-label={`${part.name} by grade`}
                              title="Another item in a grade"
                              onClick={() => setByGrade(byGrade === part.id ? null : part.id)}
                            >
                              ≠
                            </button>
                          )}
                          <button
                            type="button"
                            className="grip grip-shown"
                            aria-label={`Move ${part.name} up`}
                            disabled={i === 0}
                            onClick={() => move(i, -1)}
                          >
                            ↑
                          </button>
                          <button
                            type="button"
                            className="grip grip-shown"
                            aria-label={`Remove ${part.name}`}
                            onClick={() =>
                              change({ ...recipe, parts: recipe.parts.filter((_, at) => at !== i) })
                            }
                          >
                            ×
                          </button>
                        </>
                      )}
                    </td>
                  </tr>
                  {trouble && (
                    <tr className="recipe-trouble">
                      <td />
                      <td colSpan={6} className="wrong" role="alert">
                        <MarkedFormula formula={sized.formula} at={trouble.at} /> {trouble.message}
                      </td>
                    </tr>
                  )}
                  {isBundle ? innerRows(part, i) : gradeRow(part, i)}
                </Fragment>
              );
            })}
          </tbody>
        </table>
      )}
      {!readOnly && (
        <div className="recipe-add">
          <LibraryPicker
            label="Add a part"
            placeholder="Add a part: a few letters of an item or bundle"
            shown={null}
            bundles
            extra={[{ value: 'figure', label: 'a figure only, for other formulas' }]}
            pick={add}
          />
        </div>
      )}
    </section>
  );
}

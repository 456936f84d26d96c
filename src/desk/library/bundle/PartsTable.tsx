'use client';

import { Input } from 'antd';
import { useState } from 'react';
import type { RecipePart, SizedPart } from '@/core/bundle';
import { hasAllWords } from '@/core/text/hasAllWords';
import type { BundleFigures } from '@/core/price';
import type { Recipe } from '@/model';
import { LibraryPicker } from '../LibraryPicker';
import type { Named } from './draft';
import { partEdits } from './partEdits';
import { PartRow } from './PartRow';

/** So many parts are seen at once: no more, and nothing is searched. */
const FEW = 6;

/** What a part is found by: its name, its items, its formulas. */
function textOf(part: RecipePart, { items, within }: Named): string {
  const texts = [part.name, part.when ?? '', 'quantity' in part ? part.quantity : ''];
  if ('bundle' in part) texts.push(within[part.bundle]?.name ?? '', ...Object.values(part.values));
  else
    for (const id of [part.item, ...Object.values(part.grades ?? {})])
      if (typeof id === 'string') texts.push(items[id]?.code ?? '', items[id]?.description ?? '');
  return texts.join(' ');
}

interface PartsTableProps {
  readonly recipe: Recipe;
  readonly named: Named;
  readonly figures: BundleFigures;
  readonly minorDigits: number;
  readonly readOnly: boolean;
  readonly change: (recipe: Recipe) => void;
  readonly learn: (more: Partial<Named>) => void;
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
  /** The part whose items by grade are open. */
  const [byGrade, setByGrade] = useState<string | null>(null);
  const sized = new Map<string, SizedPart>(
    figures.sized.parts.filter(({ path }) => !path.includes('.')).map((part) => [part.path, part]),
  );
  const [words, setWords] = useState('');
  /** Parts that were not found as the words were typed: what is changed or added since stays in view. */
  const [hidden, setHidden] = useState<ReadonlySet<string>>(new Set());
  const find = (typed: string) => {
    setWords(typed);
    setHidden(
      new Set(recipe.parts.filter((part) => !hasAllWords(typed, textOf(part, named))).map(({ id }) => id)),
    );
  };
  const edits = partEdits(recipe, change, learn);
  const shown = recipe.parts.map((part, at) => ({ part, at })).filter(({ part }) => !hidden.has(part.id));
  return (
    <section>
      <h2>It is made of</h2>
      {(recipe.parts.length > FEW || words !== '') && (
        <p className="recipe-find">
          <Input
            size="small"
            allowClear
            aria-label="Find in the parts"
            placeholder="Find in the parts: a name, an item, a formula"
            value={words}
            onChange={({ target }) => find(target.value)}
          />
          {words.trim() !== '' && (
            <span className="soft" role="status">
              {shown.length} of {recipe.parts.length}
            </span>
          )}
        </p>
      )}
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
            {shown.map(({ part, at }) => (
              <PartRow
                key={part.id}
                recipe={recipe}
                part={part}
                at={at}
                named={named}
                sized={sized.get(part.id)}
                line={figures.lines.find(({ line }) => line.id === `trial.${part.id}`)}
                minorDigits={minorDigits}
                readOnly={readOnly}
                edits={edits}
                gradesOpen={byGrade === part.id}
                openGrades={(open) => setByGrade(open ? part.id : null)}
              />
            ))}
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
            pick={edits.add}
          />
        </div>
      )}
    </section>
  );
}

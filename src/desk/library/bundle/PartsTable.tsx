'use client';

import { useState } from 'react';
import type { SizedPart } from '@/core/bundle';
import type { BundleFigures } from '@/core/price';
import type { Recipe } from '@/model';
import { LibraryPicker } from '../LibraryPicker';
import type { Named } from './draft';
import { partEdits } from './partEdits';
import { PartRow } from './PartRow';

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
  const edits = partEdits(recipe, change, learn);
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
            {recipe.parts.map((part, i) => (
              <PartRow
                key={part.id}
                recipe={recipe}
                part={part}
                at={i}
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

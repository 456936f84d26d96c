import type { RecipePart } from '@/core/bundle';
import type { Recipe } from '@/model';
import type { PartEdits } from './partEdits';

/** What is done to a part as a whole, at the end of its row. */
export function PartActs({
  recipe,
  part,
  at,
  edits,
  gradesOpen,
  openGrades,
}: {
  readonly recipe: Recipe;
  readonly part: RecipePart;
  readonly at: number;
  readonly edits: PartEdits;
  readonly gradesOpen: boolean;
  readonly openGrades: (open: boolean) => void;
}) {
  return (
    <>
      {!('bundle' in part) && recipe.grades.length > 0 && (
        <button
          type="button"
          className="grip grip-shown"
          aria-expanded={gradesOpen}
          aria-label={`${part.name} by grade`}
          title="Another item in a grade"
          onClick={() => openGrades(!gradesOpen)}
        >
          ≠
        </button>
      )}
      <button
        type="button"
        className="grip grip-shown"
        aria-label={`Move ${part.name} up`}
        disabled={at === 0}
        onClick={() => edits.moveUp(at)}
      >
        ↑
      </button>
      <button
        type="button"
        className="grip grip-shown"
        aria-label={`Remove ${part.name}`}
        onClick={() => edits.remove(at)}
      >
        ×
      </button>
    </>
  );
}

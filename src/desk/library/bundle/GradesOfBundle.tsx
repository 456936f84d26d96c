import { Button } from 'antd';
import { nameFrom } from '@/core/bundle';
import type { Recipe } from '@/model';
import { Cell } from '@/ui/live/Cell';

const MOST_GRADES = 8;

/** The grades a bundle comes in; one whose name is emptied is gone. */
export function GradesOfBundle({
  recipe,
  readOnly,
  change,
}: {
  readonly recipe: Recipe;
  readonly readOnly: boolean;
  readonly change: (recipe: Recipe) => void;
}) {
  const { grades } = recipe;
  const rename = (at: number, name: string) =>
    change({
      ...recipe,
      grades:
        name === ''
          ? grades.filter((_, i) => i !== at)
          : grades.map((each, i) => (i === at ? { ...each, name } : each)),
    });
  const add = () => {
    const ids = grades.map(({ id }) => id);
    const id = nameFrom(`grade ${grades.length + 1}`, ids);
    change({ ...recipe, grades: [...grades, { id, name: grades.length === 0 ? 'Usual' : 'Better' }] });
  };
  return (
    <section>
      <h2>Grades</h2>
      <div className="grade-list">
        {grades.map((grade, i) => (
          <span key={grade.id} className="grade-name">
            <Cell
              name="grade"
              label={`Grade ${i + 1}`}
              shown={grade.name}
              readOnly={readOnly}
              commit={(name) => rename(i, name.trim())}
            />
          </span>
        ))}
        {!readOnly && grades.length < MOST_GRADES && (
          <Button size="small" onClick={add}>
            Add a grade
          </Button>
        )}
      </div>
    </section>
  );
}

import { withGradeOfPart } from '@/core/bundle';
import type { ItemPart, Recipe } from '@/model';
import type { Found } from '../search';
import { LibraryPicker } from '../LibraryPicker';
import type { Named } from './draft';
import type { PartEdits } from './partEdits';

/** What the part is in other grades, in few words; opened, each grade can be set. */
export function GradesOfPart({
  part,
  at,
  recipe,
  named,
  edits,
  open,
}: {
  readonly part: ItemPart;
  readonly at: number;
  readonly recipe: Recipe;
  readonly named: Named;
  readonly edits: PartEdits;
  readonly open: boolean;
}) {
  const own = Object.entries(part.grades ?? {});
  if (own.length === 0 && !open) return null;
  const itemName = (key: string) => named.items[key]?.description ?? 'not there';
  const pick = (grade: string, taken: Found | string) => {
    const key =
      typeof taken === 'string'
        ? taken === 'out'
          ? null
          : undefined
        : taken.kind === 'item'
          ? edits.learnItem(taken.item)
          : undefined;
    edits.set(at, withGradeOfPart(part, grade, key));
  };
  const shown = (key: string | null | undefined) =>
    key === undefined ? null : key === null ? 'left out' : itemName(key);
  return (
    <tr className="recipe-grades">
      <td />
      <td colSpan={6}>
        {open
          ? recipe.grades.map((grade) => (
              <label key={grade.id} className="recipe-grade">
                <span className="soft">{grade.name}</span>
                <LibraryPicker
                  label={`${part.name} in ${grade.name}`}
                  placeholder="as above"
                  shown={shown(part.grades?.[grade.id])}
                  extra={[
                    { value: 'as', label: 'as above' },
                    { value: 'out', label: 'left out in this grade' },
                  ]}
                  pick={(taken) => pick(grade.id, taken)}
                />
              </label>
            ))
          : own.map(([id, key]) => (
              <span key={id} className="recipe-swap">
                <span className="soft">{recipe.grades.find((grade) => grade.id === id)?.name ?? id}:</span>{' '}
                {key === null ? <span className="soft">left out</span> : itemName(key)}
              </span>
            ))}
      </td>
    </tr>
  );
}

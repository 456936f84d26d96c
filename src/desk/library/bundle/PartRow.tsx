import type { RecipePart, SizedPart } from '@/core/bundle';
import { namesTaken, showValue } from '@/core/bundle';
import { showAmount, showQuantity, writeFixed } from '@/core/number';
import type { BundleFigures } from '@/core/price';
import type { Recipe } from '@/model';
import { unitAfter } from '@/model';
import { Cell } from '@/ui/live/Cell';
import { LibraryPicker } from '../LibraryPicker';
import type { Named } from './draft';
import { GradesOfPart } from './GradesOfPart';
import { checkName } from './checkName';
import { InnerInputs } from './InnerInputs';
import { MarkedFormula } from './MarkedFormula';
import { PartActs } from './PartActs';
import type { PartEdits } from './partEdits';

interface PartRowProps {
  readonly recipe: Recipe;
  readonly part: RecipePart;
  readonly at: number;
  readonly named: Named;
  readonly sized: SizedPart | undefined;
  readonly line: BundleFigures['lines'][number] | undefined;
  readonly minorDigits: number;
  readonly readOnly: boolean;
  readonly edits: PartEdits;
  readonly gradesOpen: boolean;
  readonly openGrades: (open: boolean) => void;
}

const absentWords = { grade: 'not in this grade', condition: 'not needed here', job: '' } as const;

/** What the part is: an item that is looked up, or a bundle within. */
function PartItem({ part, at, named, edits }: PartRowProps) {
  if ('bundle' in part)
    return (
      <span className="recipe-bundle">{named.within[part.bundle]?.name ?? 'a bundle that is not there'}</span>
    );
  return (
    <LibraryPicker
      label={`Item of ${part.name}`}
      placeholder={part.grades ? 'only in some grades' : 'a figure only'}
      shown={part.item === null ? null : (named.items[part.item]?.description ?? 'not there')}
      extra={[{ value: 'figure', label: 'a figure only, for other formulas' }]}
      pick={(taken) => edits.setItem(at, part, taken)}
    />
  );
}

/** What the part comes to in the trial: a quantity, a figure's value, or why it is not there. */
function PartComesTo({ part, sized, line }: PartRowProps) {
  if (line)
    return <>{`${showQuantity(line.quantity)} ${unitAfter(writeFixed(line.quantity), line.line.unit)}`}</>;
  if (sized?.absent) return <span className="soft">{absentWords[sized.absent]}</span>;
  return <>{sized?.value && !('bundle' in part) ? showValue(sized.value, 'us') : ''}</>;
}

/** A part of a bundle, with what goes wrong in its formula and what it is in other grades below it. */
export function PartRow(props: PartRowProps) {
  const { recipe, part, at, named, sized, line, minorDigits, readOnly, edits, gradesOpen } = props;
  const isBundle = 'bundle' in part;
  const trouble = sized?.trouble;
  return (
    <>
      <tr>
        <td>
          <Cell
            name="part-name"
            label={`Name of part ${at + 1}`}
            shown={part.name}
            readOnly={readOnly}
            commit={(text) => {
              const others = namesTaken(recipe).filter((name) => name !== part.name);
              edits.rename(part.name, checkName(text, others));
            }}
          />
        </td>
        <td>
          <PartItem {...props} />
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
                edits.set(at, { ...part, quantity: text.trim() });
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
              edits.set(at, text.trim() === '' ? rest : { ...rest, when: text.trim() });
            }}
          />
        </td>
        <td className="amount">
          <PartComesTo {...props} />
        </td>
        <td className="amount">{line && showAmount(line.costAmount, minorDigits)}</td>
        <td className="recipe-acts">{!readOnly && <PartActs {...props} />}</td>
      </tr>
      {trouble && (
        <tr className="recipe-trouble">
          <td />
          <td colSpan={6} className="wrong" role="alert">
            <MarkedFormula formula={sized.formula} at={trouble.at} /> {trouble.message}
          </td>
        </tr>
      )}
      {isBundle ? (
        <InnerInputs part={part} at={at} named={named} readOnly={readOnly} edits={edits} />
      ) : (
        <GradesOfPart part={part} at={at} recipe={recipe} named={named} edits={edits} open={gradesOpen} />
      )}
    </>
  );
}

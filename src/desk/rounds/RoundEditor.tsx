'use client';

import { DayPicker } from '@/ui/fields/DayPicker';
import { Button } from 'antd';
import type { RoundScale } from '@/core/allowance';
import { roundFigures, roundLimits } from '@/core/allowance';
import { newAlternative, newQuestion, newSelectionExtra, removeFromRound, setOffered } from '@/core/editing';
import { moneyOf } from '@/core/number';
import type { SelectionRound } from '@/model';
import { asSuggested } from '@/model';
import { Cell } from '../../ui/live/Cell';
import { OfferedRow } from './OfferedRow';
import '../proposals/editor/choices/choices.css';

interface RoundEditorProps {
  readonly round: SelectionRound;
  /** What prices by the unit are multiplied with. */
  readonly scale: RoundScale;
  /** “sq ft”, “each”: the unit of the allowance's line. */
  readonly unit: string;
  readonly readOnly: boolean;
  readonly change: (recipe: (round: SelectionRound) => void) => void;
  readonly newId: () => string;
}

const text = (given: string) => given.trim().slice(0, 200);

/** What a customer can choose in one round, each with what it comes to. */
export function RoundEditor({ round, scale, unit, readOnly, change, newId }: RoundEditorProps) {
  const figures = roundFigures(round, asSuggested, scale);
  const { least, most } = roundLimits(round, scale);
  const money = moneyOf(scale.minorDigits);
  return (
    <div className="round">
      <div className="choice-head">
        <Cell
          name="round-name"
          label="Round"
          shown={round.name}
          readOnly={readOnly}
          commit={(typed) =>
            change((draft) => {
              if (text(typed) !== '') draft.name = text(typed);
            })
          }
        />
        <label className="until">
          due{' '}
          <DayPicker
            size="small"
            label={`${round.name}: due on`}
            disabled={readOnly}
            value={round.due ?? null}
            onChange={(day) =>
              change((draft) => {
                if (day === null) delete draft.due;
                else draft.due = day;
              })
            }
          />
        </label>
        <span className="soft">
          {least === most ? money.show(least) : `${money.show(least)} to ${money.show(most)}`}
        </span>
      </div>
      <table className="table-plain choice-table round-table">
        <colgroup>
          <col style={{ width: 48 }} />
          <col />
          <col style={{ width: 54 }} />
          <col style={{ width: 238 }} />
          <col style={{ width: 92 }} />
          <col style={{ width: 44 }} />
        </colgroup>
        <tbody>
          {round.questions.map((question, q) => (
            <RoundQuestionRows
              key={question.id}
              {...{ question, unit, readOnly, change, newId }}
              amounts={figures.questions[q]!.alternatives.map(({ amount }) => money.show(amount))}
            />
          ))}
          {round.extras.map((extra, i) => (
            <OfferedRow
              key={extra.id}
              offered={extra}
              amount={money.show(figures.extras[i]!.amount)}
              {...{ unit, readOnly }}
              kind="extra"
              suggested={extra.in}
              suggest={() =>
                change((draft) => {
                  draft.extras[i]!.in = !extra.in;
                })
              }
              set={(next) => change((draft) => setOffered(draft.extras[i]!, next))}
              count={extra.quantity ?? null}
              setCount={(quantity) =>
                change((draft) => {
                  if (quantity === null) delete draft.extras[i]!.quantity;
                  else draft.extras[i]!.quantity = quantity;
                })
              }
              remove={() => change((draft) => removeFromRound(draft, extra.id))}
            />
          ))}
        </tbody>
      </table>
      {!readOnly && (
        <div className="choice-terms">
          <Button
            size="small"
            onClick={() => change((draft) => void draft.questions.push(newQuestion(newId)))}
          >
            Ask one more thing
          </Button>
          <Button
            size="small"
            onClick={() => change((draft) => void draft.extras.push(newSelectionExtra(newId)))}
          >
            Offer an extra
          </Button>
        </div>
      )}
    </div>
  );
}

function RoundQuestionRows({
  question,
  amounts,
  unit,
  readOnly,
  change,
  newId,
}: Pick<RoundEditorProps, 'unit' | 'readOnly' | 'change' | 'newId'> & {
  question: SelectionRound['questions'][number];
  amounts: readonly string[];
}) {
  const within = (recipe: (found: SelectionRound['questions'][number]) => void) =>
    change((draft) => {
      const found = draft.questions.find(({ id }) => id === question.id);
      if (found) recipe(found);
    });
  return (
    <>
      <tr>
        <td colSpan={5}>
          <Cell
            name="round-question"
            label="What is to be chosen"
            shown={question.prompt}
            readOnly={readOnly}
            commit={(typed) =>
              within((found) => {
                if (text(typed) !== '') found.prompt = text(typed);
              })
            }
          />
        </td>
        <td className="round-add">
          {!readOnly && (
            <Button
              size="small"
              type="text"
              title="One more alternative"
              aria-label={`One more alternative for ${question.prompt}`}
              onClick={() =>
                within((found) => void found.alternatives.push(newAlternative('Another', newId)))
              }
            >
              +
            </Button>
          )}
        </td>
      </tr>
      {question.alternatives.map((alternative, i) => (
        <OfferedRow
          key={alternative.id}
          offered={alternative}
          amount={amounts[i]!}
          {...{ unit, readOnly }}
          kind="alternative"
          suggested={question.suggested === alternative.id}
          suggest={() =>
            within((found) => {
              found.suggested = alternative.id;
            })
          }
          set={(next) => within((found) => setOffered(found.alternatives[i]!, next))}
          remove={() => change((draft) => removeFromRound(draft, alternative.id))}
        />
      ))}
    </>
  );
}

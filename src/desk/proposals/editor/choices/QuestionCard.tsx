'use client';

import { Checkbox } from 'antd';
import { NONE, decidedAlternative } from '@/core/choice';
import { setQuestion } from '@/core/editing';
import { showDifference } from '@/core/number';
import type { Question } from '@/model';
import { asSuggested } from '@/model';
import { useEditor } from '../context';
import { Cell } from '@/ui/live/Cell';
import { Advice } from './Advice';
import { AlternativeCells, Suggest } from './AlternativeCells';
import { Until } from './Until';

/** One question to the customer: what is suggested, recommended and allowed, and the difference each answer makes. */
export function QuestionCard({ question, sectionTitle }: { question: Question; sectionTitle: string }) {
  const { work, figures, differences, readOnly } = useEditor();
  const standing = decidedAlternative(question, asSuggested);
  const differenceOf = (id: string) => {
    if (id === standing) return 'suggested';
    const found = differences.alternatives.find(
      ({ questionId, alternativeId }) => questionId === question.id && alternativeId === id,
    );
    return found ? showDifference(found.difference, figures.minorDigits) : '';
  };
  const change = (next: Parameters<typeof setQuestion>[2]) =>
    work.edit((draft) => setQuestion(draft, question.id, next));
  return (
    <section className="choice-card" aria-label={question.prompt}>
      <div className="choice-head">
        <Cell
          name="prompt"
          label="Question"
          shown={question.prompt}
          readOnly={readOnly}
          commit={(text) => change({ prompt: text })}
        />
        <span className="soft">{sectionTitle}</span>
      </div>
      <table className="table-plain choice-table">
        <tbody>
          {question.alternatives.map((alternative) => (
            <AlternativeCells
              key={alternative.id}
              question={question}
              alternative={alternative}
              suggested={standing === alternative.id}
              difference={differenceOf(alternative.id)}
            />
          ))}
          {question.none && (
            <tr>
              <td className="choice-pick">
                <Suggest
                  question={question}
                  answer={NONE}
                  name={question.none.name}
                  checked={standing === NONE}
                />
              </td>
              <td colSpan={3}>
                <Cell
                  name="none"
                  label="None of them, called"
                  shown={question.none.name}
                  readOnly={readOnly}
                  commit={(text) => change({ none: text })}
                />
              </td>
              <td className="amount">{differenceOf(NONE)}</td>
              <td />
            </tr>
          )}
        </tbody>
      </table>
      <div className="choice-terms">
        <Checkbox
          disabled={readOnly}
          checked={question.none !== undefined}
          onChange={({ target }) => change({ none: target.checked ? 'None of these' : null })}
        >
          none of them may be picked
        </Checkbox>
        <Until
          label={question.prompt}
          until={question.until}
          readOnly={readOnly}
          change={(until) => change({ until })}
        />
        <Advice
          label={question.prompt}
          options={question.alternatives}
          picked={question.recommended?.alternative ?? null}
          reason={question.recommended?.reason ?? ''}
          readOnly={readOnly}
          change={change}
        />
      </div>
    </section>
  );
}

'use client';

import { Checkbox, Radio } from 'antd';
import { NONE, decidedAlternative } from '@/core/choice';
import { removePart, setAlternative, setAlternativePicture, setQuestion } from '@/core/editing';
import { showDifference } from '@/core/number';
import type { Question } from '@/model';
import { asSuggested } from '@/model';
import { PictureField } from '@/desk/PictureField';
import { useEditor } from '../context';
import { Cell } from '@/ui/live/Cell';
import { Advice } from './Advice';
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
            <tr key={alternative.id}>
              <td className="choice-pick">
                <Radio
                  disabled={readOnly}
                  checked={standing === alternative.id}
                  aria-label={`Suggest ${alternative.name}`}
                  onChange={() => change({ suggested: alternative.id })}
                />
              </td>
              <td>
                <Cell
                  name="alternative"
                  label="Alternative"
                  shown={alternative.name}
                  readOnly={readOnly}
                  commit={(text) =>
                    work.edit((draft) => setAlternative(draft, question.id, alternative.id, { name: text }))
                  }
                />
              </td>
              <td>
                <Cell
                  name="alternative-detail"
                  label={`${alternative.name}: more for the customer`}
                  shown={alternative.detail ?? ''}
                  placeholder="more for the customer"
                  readOnly={readOnly}
                  commit={(text) =>
                    work.edit((draft) => setAlternative(draft, question.id, alternative.id, { detail: text }))
                  }
                />
              </td>
              <td className="choice-picture">
                <PictureField
                  of={alternative.name}
                  picture={alternative.picture}
                  put={(picture) =>
                    work.edit((draft) => setAlternativePicture(draft, question.id, alternative.id, picture))
                  }
                  readOnly={readOnly}
                />
              </td>
              <td className="amount">{differenceOf(alternative.id)}</td>
              <td className="row-more">
                {!readOnly && question.alternatives.length > 1 && (
                  <button
                    type="button"
                    className="grip"
                    aria-label={`Remove ${alternative.name}`}
                    onClick={() => work.edit((draft) => removePart(draft, alternative.id))}
                  >
                    ×
                  </button>
                )}
              </td>
            </tr>
          ))}
          {question.none && (
            <tr>
              <td className="choice-pick">
                <Radio
                  disabled={readOnly}
                  checked={standing === NONE}
                  aria-label={`Suggest ${question.none.name}`}
                  onChange={() => change({ suggested: NONE })}
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

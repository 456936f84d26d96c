'use client';

import { DeleteOutlined, HolderOutlined } from '@ant-design/icons';
import { useSortable } from '@dnd-kit/sortable';
import { Button, Radio } from 'antd';
import { removePart, setAlternative, setQuestion } from '@/core/editing';
import { showDifference } from '@/core/number';
import type { Alternative, Question } from '@/model';
import { useEditor, useEditorActions } from '../context';
import { Cell } from '@/ui/live/Cell';

/** A question to the customer. */
export function QuestionRow({ question }: { question: Question }) {
  const { work, readOnly, setTarget, target } = useEditor();
  const { columns } = useEditorActions();
  const { setNodeRef, attributes, listeners } = useSortable({ id: question.id, disabled: readOnly });
  const addAnother = () => {
    setTarget({ kind: 'question', questionId: question.id });
    document.getElementById('add-line')?.focus();
  };
  return (
    <tr ref={setNodeRef} data-row={question.id} className="row row-choice row-question">
      <td className="row-grip">
        {!readOnly && (
          <button
            type="button"
            className="grip"
            aria-label={`Move ${question.prompt}`}
            {...attributes}
            {...listeners}
            tabIndex={-1}
          >
            <HolderOutlined aria-hidden="true" />
          </button>
        )}
      </td>
      <td colSpan={3 + columns.length}>
        <div className="row-name">
          <Cell
            name="description"
            label="Question"
            shown={question.prompt}
            readOnly={readOnly}
            commit={(text) =>
              work.edit((draft) => text.trim() && setQuestion(draft, question.id, { prompt: text.trim() }))
            }
          />
          <span className="choice-tag">customer picks 1 of {question.alternatives.length}</span>
        </div>
      </td>
      <td colSpan={2} className="amount">
        {!readOnly && (
          <Button
            type="link"
            size="small"
            aria-pressed={target.kind === 'question' && target.questionId === question.id}
            onClick={addAnother}
          >
            Add another
          </Button>
        )}
      </td>
    </tr>
  );
}

/** One alternative of a question, with the difference it makes. */
export function AlternativeRow({ question, alternative }: { question: Question; alternative: Alternative }) {
  const { work, figures, differences, readOnly } = useEditor();
  const { columns } = useEditorActions();
  const found = differences.alternatives.find(({ alternativeId }) => alternativeId === alternative.id);
  return (
    <tr className="row row-alternative">
      <td />
      <td colSpan={3 + columns.length}>
        <div className="row-name">
          <Radio
            disabled={readOnly}
            checked={question.suggested === alternative.id}
            aria-label={`Suggest ${alternative.name}`}
            onChange={() =>
              work.edit((draft) => setQuestion(draft, question.id, { suggested: alternative.id }))
            }
          />
          <Cell
            name="alternative"
            label="Alternative"
            shown={alternative.name}
            readOnly={readOnly}
            commit={(text) =>
              work.edit((draft) => setAlternative(draft, question.id, alternative.id, { name: text }))
            }
          />
          {question.suggested === alternative.id && <span className="soft nowrap">suggested</span>}
        </div>
      </td>
      <td className="amount soft">
        {found && !found.picked ? showDifference(found.difference, figures.minorDigits) : ''}
      </td>
      <td className="row-more">
        {!readOnly && (
          <button
            type="button"
            className="grip"
            tabIndex={-1}
            aria-label={`Remove alternative ${alternative.name}`}
            onClick={() => work.edit((draft) => removePart(draft, alternative.id))}
          >
            <DeleteOutlined aria-hidden="true" />
          </button>
        )}
      </td>
    </tr>
  );
}

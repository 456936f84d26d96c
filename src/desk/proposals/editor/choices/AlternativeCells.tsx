import { Radio } from 'antd';
import { removePart, setAlternative, setAlternativePicture, setQuestion } from '@/core/editing';
import type { Question } from '@/model';
import { PictureField } from '@/desk/PictureField';
import { Cell } from '@/ui/live/Cell';
import { useEditor } from '../context';

/** Suggests an answer. */
export function Suggest({
  question,
  answer,
  name,
  checked,
}: {
  readonly question: Question;
  readonly answer: string;
  readonly name: string;
  readonly checked: boolean;
}) {
  const { work, readOnly } = useEditor();
  return (
    <Radio
      disabled={readOnly}
      checked={checked}
      aria-label={`Suggest ${name}`}
      onChange={() => work.edit((draft) => setQuestion(draft, question.id, { suggested: answer }))}
    />
  );
}

/** One alternative of a question: whether it is suggested, its words and picture, and the difference it makes. */
export function AlternativeCells({
  question,
  alternative,
  suggested,
  difference,
}: {
  readonly question: Question;
  readonly alternative: Question['alternatives'][number];
  readonly suggested: boolean;
  readonly difference: string;
}) {
  const { work, readOnly } = useEditor();
  const { id, name, detail, picture } = alternative;
  const set = (change: Parameters<typeof setAlternative>[3]) =>
    work.edit((draft) => setAlternative(draft, question.id, id, change));
  return (
    <tr>
      <td className="choice-pick">
        <Suggest question={question} answer={id} name={name} checked={suggested} />
      </td>
      <td>
        <Cell
          name="alternative"
          label="Alternative"
          shown={name}
          readOnly={readOnly}
          commit={(text) => set({ name: text })}
        />
      </td>
      <td>
        <Cell
          name="alternative-detail"
          label={`${name}: more for the customer`}
          shown={detail ?? ''}
          placeholder="more for the customer"
          readOnly={readOnly}
          commit={(text) => set({ detail: text })}
        />
      </td>
      <td className="choice-picture">
        <PictureField
          of={name}
          picture={picture}
          put={(next) => work.edit((draft) => setAlternativePicture(draft, question.id, id, next))}
          readOnly={readOnly}
        />
      </td>
      <td className="amount">{difference}</td>
      <td className="row-more">
        {!readOnly && question.alternatives.length > 1 && (
          <button
            type="button"
            className="grip"
            aria-label={`Remove ${name}`}
            onClick={() => work.edit((draft) => removePart(draft, id))}
          >
            ×
          </button>
        )}
      </td>
    </tr>
  );
}

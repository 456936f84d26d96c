'use client';

import { DayPicker } from '@/ui/fields/DayPicker';
import { Radio } from 'antd';
import { setDocumentText, setSection, setTitle } from '@/core/editing';
import type { Shows } from '@/model';
import { TextField } from './TextField';
import { useEditor } from './context';

const shows: { value: Shows; label: string }[] = [
  { value: 'total', label: 'One price' },
  { value: 'sections', label: 'Section prices' },
  { value: 'lines', label: 'Line amounts' },
  { value: 'prices', label: 'Line amounts and unit prices' },
];

type TextName = 'coverNote' | 'terms' | 'internalNote';

/** What the customer reads, how much of the price they see, and (apart) what is only for us. */
export function WordingStep() {
  const { work, readOnly } = useEditor();
  const { document: proposal, edit } = work;
  const area = (field: TextName, label: string, rows: number, hint?: string) => (
    <label className={field === 'internalNote' ? 'field details-ours' : 'field'}>
      {label}
      {hint && <span className="soft"> {hint}</span>}
      <TextField
        readOnly={readOnly}
        rows={rows}
        value={proposal[field] ?? ''}
        commit={(text) => edit((draft) => setDocumentText(draft, field, text))}
      />
    </label>
  );
  return (
    <div className="step">
      <label className="field">
        Title
        <TextField
          readOnly={readOnly}
          value={proposal.title}
          commit={(text) => edit((draft) => setTitle(draft, text))}
        />
      </label>
      <fieldset className="field">
        <legend>The customer sees</legend>
        <Radio.Group
          disabled={readOnly}
          options={shows}
          value={proposal.shows}
          onChange={({ target }) =>
            edit((draft) => {
              draft.shows = target.value as Shows;
            })
          }
        />
        <div className="soft">Never cost or margin.</div>
      </fieldset>
      <label className="field">
        Prices hold until the end of
        <DayPicker
          className="wording-until"
          disabled={readOnly}
          value={proposal.validUntil ?? null}
          onChange={(day) =>
            edit((draft) => {
              if (day === null) delete draft.validUntil;
              else draft.validUntil = day;
            })
          }
        />
      </label>
      {area('coverNote', 'Cover note', 3)}
      {proposal.sections.map((section) => (
        <label key={section.id} className="field">
          {section.title}
          <TextField
            readOnly={readOnly}
            rows={1}
            value={section.text ?? ''}
            commit={(text) => edit((draft) => setSection(draft, section.id, { text }))}
          />
        </label>
      ))}
      {area('terms', 'Terms, inclusions and exclusions', 4)}
      {area('internalNote', 'Only for us;', 2, 'never shown to the customer')}
    </div>
  );
}

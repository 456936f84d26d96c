'use client';

import { Input, Radio } from 'antd';
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
        <Input
          type="date"
          readOnly={readOnly}
          style={{ width: 180, display: 'block' }}
          value={proposal.validUntil ?? ''}
          onChange={({ target }) =>
            edit((draft) => {
              if (target.value === '') delete draft.validUntil;
              else draft.validUntil = target.value;
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

'use client';

import { Input, Radio } from 'antd';
import { setSection } from '@/core/editing';
import type { ProposalDocument, Shows } from '@/model';
import { useEditor } from './context';

const shows: { value: Shows; label: string }[] = [
  { value: 'total', label: 'One price' },
  { value: 'sections', label: 'Section prices' },
  { value: 'lines', label: 'Line amounts' },
  { value: 'prices', label: 'Line amounts and unit prices' },
];

type TextField = 'coverNote' | 'terms' | 'internalNote';

/** What the customer reads, how much of the price they see, and (apart) what is only for us. */
export function WordingStep() {
  const { work, readOnly } = useEditor();
  const { document: proposal, edit } = work;
  const setText = (field: TextField) => (event: { target: { value: string } }) =>
    edit((draft: ProposalDocument) => {
      const text = event.target.value.trim();
      if (text === '') delete draft[field];
      else draft[field] = text;
    });
  const area = (field: TextField, label: string, rows: number, hint?: string) => (
    <label className={field === 'internalNote' ? 'field details-ours' : 'field'}>
      {label}
      {hint && <span className="soft"> {hint}</span>}
      <Input.TextArea
        key={`${field}-${proposal[field] ?? ''}`}
        readOnly={readOnly}
        autoSize={{ minRows: rows }}
        defaultValue={proposal[field] ?? ''}
        onBlur={setText(field)}
      />
    </label>
  );
  return (
    <div className="step">
      <label className="field">
        Title
        <Input
          key={proposal.title}
          readOnly={readOnly}
          defaultValue={proposal.title}
          maxLength={200}
          onBlur={({ target }) =>
            target.value.trim() &&
            edit((draft) => {
              draft.title = target.value.trim();
            })
          }
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
          <Input.TextArea
            key={section.text ?? ''}
            readOnly={readOnly}
            autoSize={{ minRows: 1 }}
            defaultValue={section.text ?? ''}
            onBlur={({ target }) => edit((draft) => setSection(draft, section.id, { text: target.value }))}
          />
        </label>
      ))}
      {area('terms', 'Terms, inclusions and exclusions', 4)}
      {area('internalNote', 'Only for us;', 2, 'never shown to the customer')}
    </div>
  );
}

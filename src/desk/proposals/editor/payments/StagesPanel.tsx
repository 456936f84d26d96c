'use client';

import { DayPicker } from '@/ui/fields/DayPicker';
import { stagesOf } from '@/core/agreements';
import { planStage } from '@/core/editing';
import { useEditor } from '../context';

/** The stages of the work, those payments wait for and the phases of its lines, with the days they are planned for. */
export function StagesPanel() {
  const { work, readOnly } = useEditor();
  const stages = stagesOf(work.document);
  if (stages.length === 0) return null;
  return (
    <details className="stages-panel" open={stages.some(({ planned }) => planned !== null)}>
      <summary>When the stages are planned to be done</summary>
      <div className="stages-list">
        {stages.map(({ name, planned }) => (
          <label key={name}>
            {name}
            <DayPicker
              size="small"
              label={`${name} is planned for`}
              disabled={readOnly}
              value={planned}
              onChange={(day) => work.edit((draft) => planStage(draft, name, day))}
            />
          </label>
        ))}
      </div>
    </details>
  );
}

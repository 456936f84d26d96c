'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { addLevel, removeLevels, setLevel, setLevels } from '@/core/editing';
import type { LevelChoice } from '@/model';
import { newPartId, useEditor } from '../context';
import { Cell } from '@/ui/live/Cell';
import { Advice } from './Advice';
import { differs, partsUnder } from './levelParts';
import { LevelsTable } from './LevelsTable';
import { Until } from './Until';

const MOST_LEVELS = 4;

/** A choice of levels: side by side, until when it can be chosen, and what we advise. */
export function LevelsCard({ tiers }: { readonly tiers: LevelChoice }) {
  const { work, readOnly } = useEditor();
  const { document } = work;
  const parts = partsUnder(document, tiers.section);
  const title = document.sections.find(({ id }) => id === tiers.section)?.title;
  const first = tiers.levels[0]!;
  const leaveOut = (id: string) =>
    work.edit((draft) => setLevel(draft, tiers.id, first.id, { part: { id, in: false } }));
  return (
    <section className="choice-card" aria-label={tiers.prompt}>
      <div className="choice-head">
        <Cell
          name="prompt"
          label="Levels"
          shown={tiers.prompt}
          readOnly={readOnly}
          commit={(text) => work.edit((draft) => setLevels(draft, tiers.id, { prompt: text }))}
        />
        <span className="soft">{title ?? (tiers.offers ? 'whole offers' : 'the whole')}</span>
        {!readOnly && (
          <button
            type="button"
            className="grip"
            aria-label={`Remove ${tiers.prompt}`}
            onClick={() => work.edit((draft) => removeLevels(draft, tiers.id))}
          >
            ×
          </button>
        )}
      </div>
      <LevelsTable
        tiers={tiers}
        parts={parts.filter((part) => differs(tiers, part) || (tiers.offers && part.section))}
      />
      <div className="choice-terms">
        {!readOnly && (
          <Select
            size="small"
            popupMatchSelectWidth={false}
            aria-label={`${tiers.prompt}: another part that differs`}
            value=""
            onChange={leaveOut}
            options={[
              { value: '', label: `leave out of ${first.name} …` },
              ...parts
                .filter((part) => !differs(tiers, part) && !(tiers.offers && part.section))
                .map(({ id, name }) => ({ value: id, label: name })),
            ]}
          />
        )}
        {!readOnly && tiers.levels.length < MOST_LEVELS && (
          <Button
            size="small"
            icon={<PlusOutlined />}
            onClick={() => work.edit((draft) => addLevel(draft, tiers.id, newPartId()))}
          >
            {tiers.offers ? 'Offer' : 'Level'}
          </Button>
        )}
        <Until
          label={tiers.prompt}
          until={tiers.until}
          readOnly={readOnly}
          change={(until) => work.edit((draft) => setLevels(draft, tiers.id, { until }))}
        />
        <Advice
          label={tiers.prompt}
          options={tiers.levels}
          picked={tiers.recommended?.level ?? null}
          reason={tiers.recommended?.reason ?? ''}
          readOnly={readOnly}
          change={(next) => work.edit((draft) => setLevels(draft, tiers.id, next))}
        />
      </div>
    </section>
  );
}

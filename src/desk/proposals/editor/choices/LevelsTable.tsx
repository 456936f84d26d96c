import { Checkbox, Radio, Select } from 'antd';
import type { ReactNode } from 'react';
import { useMemo } from 'react';
import { decidedLevel, withLevel } from '@/core/choice';
import { gradesThere, removeLevel, setLevel, setLevels } from '@/core/editing';
import { showAmount, showPercent } from '@/core/number';
import { computeFigures } from '@/core/price';
import type { LevelChoice, OfferLevel } from '@/model';
import { asSuggested } from '@/model';
import { Cell } from '@/ui/live/Cell';
import { useEditor, useEditorActions } from '../context';
import type { LevelPart } from './levelParts';
import { cellOf, LEFT_OUT } from './levelParts';

interface LevelsTableProps {
  readonly tiers: LevelChoice;
  /** The parts that are not the same at every level. */
  readonly parts: readonly LevelPart[];
}

/** The head of a level: its name, whether it is the one suggested, and the way to take it away. */
function LevelHead({ tiers, level }: { readonly tiers: LevelChoice; readonly level: OfferLevel }) {
  const { work, readOnly } = useEditor();
  return (
    <span className="level-name">
      <Radio
        disabled={readOnly}
        checked={decidedLevel(tiers, asSuggested) === level.id}
        aria-label={`Suggest ${level.name}`}
        onChange={() => work.edit((draft) => setLevels(draft, tiers.id, { suggested: level.id }))}
      />
      <Cell
        name="level"
        label="Level"
        shown={level.name}
        readOnly={readOnly}
        commit={(name) => work.edit((draft) => setLevel(draft, tiers.id, level.id, { name }))}
      />
      {!readOnly && tiers.levels.length > 2 && (
        <button
          type="button"
          className="grip"
          aria-label={`Remove level ${level.name}`}
          onClick={() => work.edit((draft) => removeLevel(draft, tiers.id, level.id))}
        >
          ×
        </button>
      )}
    </span>
  );
}

/** What the whole comes to and earns at a level. */
function LevelSum({ tiers, level }: { readonly tiers: LevelChoice; readonly level: OfferLevel }) {
  const { work, figures } = useEditor();
  const { seesCost } = useEditorActions();
  const { document } = work;
  const { total, margin } = useMemo(
    () => computeFigures(document, withLevel(asSuggested, tiers.id, level.id)),
    [document, tiers.id, level.id],
  );
  return (
    <>
      <strong>{showAmount(total, figures.minorDigits)}</strong>{' '}
      <span className="soft nowrap">{margin === null || !seesCost ? '' : `${showPercent(margin)} %`}</span>
    </>
  );
}

/** What a part is at a level, to be picked. */
function LevelPick({
  tiers,
  level,
  part,
}: {
  readonly tiers: LevelChoice;
  readonly level: OfferLevel;
  readonly part: LevelPart;
}) {
  const { work, readOnly } = useEditor();
  const grades = part.bundle?.recipe.grades ?? [];
  const pick = (value: string) =>
    work.edit((draft) => {
      setLevel(draft, tiers.id, level.id, { part: { id: part.id, in: value !== LEFT_OUT } });
      if (part.bundle && value !== LEFT_OUT)
        setLevel(draft, tiers.id, level.id, { grade: { bundle: part.id, grade: value || null } });
    });
  return (
    <Select
      size="small"
      popupMatchSelectWidth={false}
      aria-label={`${part.name} at ${level.name}`}
      disabled={readOnly}
      value={cellOf(level, part)}
      onChange={pick}
      options={[
        { value: '', label: grades.length > 0 ? 'in, as on the sheet' : 'in' },
        ...grades.map(({ id, name }) => ({ value: id, label: name })),
        { value: LEFT_OUT, label: 'not in' },
      ]}
    />
  );
}

/** Whether a section is in a whole offer, by a tick. */
function SectionIn({
  tiers,
  level,
  part,
}: {
  readonly tiers: LevelChoice;
  readonly level: OfferLevel;
  readonly part: LevelPart;
}) {
  const { work, readOnly } = useEditor();
  return (
    <Checkbox
      aria-label={`${part.name} in ${level.name}`}
      disabled={readOnly}
      checked={!level.without.includes(part.id)}
      onChange={({ target }) =>
        work.edit((draft) =>
          setLevel(draft, tiers.id, level.id, { part: { id: part.id, in: target.checked } }),
        )
      }
    />
  );
}

/** Levels side by side: what each is called, comes to and says, and what differs from the others. */
export function LevelsTable({ tiers, parts }: LevelsTableProps) {
  const { work, readOnly } = useEditor();
  const { seesCost } = useEditorActions();
  const grades = gradesThere(work.document, tiers.section ?? null);
  const edit = (levelId: string, change: Parameters<typeof setLevel>[3]) =>
    work.edit((draft) => setLevel(draft, tiers.id, levelId, change));
  const row = (key: string, name: string, cell: (level: OfferLevel) => ReactNode, className?: string) => (
    <tr key={key} className={className}>
      <td>{name}</td>
      {tiers.levels.map((level) => (
        <td key={level.id}>{cell(level)}</td>
      ))}
    </tr>
  );
  return (
    <table className="table-plain choice-table levels-table">
      <thead>
        <tr>
          <th />
          {tiers.levels.map((level) => (
            <th key={level.id}>
              <LevelHead tiers={tiers} level={level} />
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {row(
          ' sum',
          seesCost ? 'Total · margin' : 'Total',
          (level) => (
            <LevelSum tiers={tiers} level={level} />
          ),
          'levels-sums',
        )}
        {row(' detail', 'For the customer', (level) => (
          <Cell
            name="level-detail"
            label={`${level.name}: for the customer`}
            shown={level.detail ?? ''}
            placeholder="in a few words"
            readOnly={readOnly}
            commit={(text) => edit(level.id, { detail: text })}
          />
        ))}
        {grades.length > 0 &&
          !readOnly &&
          row(' all', 'All bundles', (level) => (
            <Select
              size="small"
              popupMatchSelectWidth={false}
              aria-label={`${level.name}: all bundles`}
              value=""
              onChange={(picked: string) => edit(level.id, { allGraded: picked })}
              options={[
                { value: '', label: 'set all to …' },
                ...grades.map(({ id, name }) => ({ value: id, label: name })),
              ]}
            />
          ))}
        {parts.map((part) =>
          row(part.id, part.name, (level) =>
            tiers.offers && part.section ? (
              <SectionIn tiers={tiers} level={level} part={part} />
            ) : (
              <LevelPick tiers={tiers} level={level} part={part} />
            ),
          ),
        )}
      </tbody>
    </table>
  );
}

'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button, Radio, Select } from 'antd';
import { shortName } from '@/core/bundle';
import { bundlesOf, decidedLevel, withLevel } from '@/core/choice';
import { addLevel, gradesThere, removeLevel, removeLevels, setLevel, setLevels } from '@/core/editing';
import { showAmount, showPercent } from '@/core/number';
import { computeFigures } from '@/core/price';
import type { Bundle, ProposalDocument, OfferLevel, LevelChoice } from '@/model';
import { asSuggested } from '@/model';
import { newPartId, useEditor } from '../context';
import { Cell } from '@/ui/live/Cell';
import { Advice } from './Advice';
import { Until } from './Until';

interface Part {
  readonly id: string;
  readonly name: string;
  readonly bundle: Bundle | null;
}

/** Everything that levels of the whole or of a section can leave out or grade, in the order it stands. */
function partsUnder(document: ProposalDocument, sectionId: string | undefined): Part[] {
  return document.sections
    .filter(({ id }) => sectionId === undefined || id === sectionId)
    .flatMap((section) => [
      ...(sectionId === undefined ? [{ id: section.id, name: `All of ${section.title}`, bundle: null }] : []),
      ...section.entries.map((entry): Part => {
        if (entry.kind === 'line') return { id: entry.id, name: entry.description, bundle: null };
        if (entry.kind === 'question') return { id: entry.id, name: entry.prompt, bundle: null };
        return { id: entry.id, name: shortName(entry.name), bundle: entry };
      }),
      ...[...bundlesOf(section)]
        .filter((bundle) => !section.entries.includes(bundle))
        .map((bundle): Part => ({ id: bundle.id, name: shortName(bundle.name), bundle })),
    ]);
}

/** What stands at a level for a part: not in, a grade, or in as it is. */
const cellOf = (level: OfferLevel, part: Part): string =>
  level.without.includes(part.id) ? '-' : (level.grades[part.id] ?? '');

/** Levels side by side: what each is called, costs and earns, and what differs from the others. */
export function LevelsCard({ tiers }: { tiers: LevelChoice }) {
  const { work, figures, readOnly } = useEditor();
  const { document } = work;
  const standing = decidedLevel(tiers, asSuggested);
  const parts = partsUnder(document, tiers.section);
  const differs = ({ id, bundle }: Part) =>
    tiers.levels.some(({ without, grades }) => without.includes(id) || (bundle && grades[id] !== undefined));
  const rows = parts.filter(differs);
  const grades = gradesThere(document, tiers.section ?? null);
  const edit = (levelId: string, change: Parameters<typeof setLevel>[3]) =>
    work.edit((draft) => setLevel(draft, tiers.id, levelId, change));
  const title = document.sections.find(({ id }) => id === tiers.section)?.title;

  const pick = (level: OfferLevel, part: Part, value: string) =>
    work.edit((draft) => {
      setLevel(draft, tiers.id, level.id, { part: { id: part.id, in: value !== '-' } });
      if (part.bundle && value !== '-')
        setLevel(draft, tiers.id, level.id, { grade: { bundle: part.id, grade: value || null } });
    });

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
        <span className="soft">{title ?? 'the whole'}</span>
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
      <table className="table-plain choice-table levels-table">
        <thead>
          <tr>
            <th />
            {tiers.levels.map((level) => (
              <th key={level.id}>
                <span className="level-name">
                  <Radio
                    disabled={readOnly}
                    checked={standing === level.id}
                    aria-label={`Suggest ${level.name}`}
                    onChange={() => work.edit((draft) => setLevels(draft, tiers.id, { suggested: level.id }))}
                  />
                  <Cell
                    name="level"
                    label="Level"
                    shown={level.name}
                    readOnly={readOnly}
                    commit={(text) => edit(level.id, { name: text })}
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
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr className="levels-sums">
            <td>Total · margin</td>
            {tiers.levels.map((level) => {
              const { total, margin } = computeFigures(document, withLevel(asSuggested, tiers.id, level.id));
              return (
                <td key={level.id}>
                  <strong>{showAmount(total, figures.minorDigits)}</strong>{' '}
                  <span className="soft nowrap">{margin === null ? '' : `${showPercent(margin)} %`}</span>
                </td>
              );
            })}
          </tr>
          <tr>
            <td>For the customer</td>
            {tiers.levels.map((level) => (
              <td key={level.id}>
                <Cell
                  name="level-detail"
                  label={`${level.name}: for the customer`}
                  shown={level.detail ?? ''}
                  placeholder="in a few words"
                  readOnly={readOnly}
                  commit={(text) => edit(level.id, { detail: text })}
                />
              </td>
            ))}
          </tr>
          {grades.length > 0 && !readOnly && (
            <tr>
              <td>All bundles</td>
              {tiers.levels.map((level) => (
                <td key={level.id}>
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
                </td>
              ))}
            </tr>
          )}
          {rows.map((part) => (
            <tr key={part.id}>
              <td>{part.name}</td>
              {tiers.levels.map((level) => (
                <td key={level.id}>
                  <Select
                    size="small"
                    popupMatchSelectWidth={false}
                    aria-label={`${part.name} at ${level.name}`}
                    disabled={readOnly}
                    value={cellOf(level, part)}
                    onChange={(picked: string) => pick(level, part, picked)}
                    options={[
                      {
                        value: '',
                        label:
                          part.bundle && part.bundle.recipe.grades.length > 0 ? 'in, as on the sheet' : 'in',
                      },
                      ...(part.bundle?.recipe.grades ?? []).map(({ id, name }) => ({
                        value: id,
                        label: name,
                      })),
                      { value: '-', label: 'not in' },
                    ]}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="choice-terms">
        {!readOnly && (
          <Select
            size="small"
            popupMatchSelectWidth={false}
            aria-label={`${tiers.prompt}: another part that differs`}
            value=""
            onChange={(picked: string) => edit(tiers.levels[0]!.id, { part: { id: picked, in: false } })}
            options={[
              { value: '', label: `leave out of ${tiers.levels[0]!.name} …` },
              ...parts.filter((part) => !differs(part)).map(({ id, name }) => ({ value: id, label: name })),
            ]}
          />
        )}
        {!readOnly && tiers.levels.length < 4 && (
          <Button
            size="small"
            icon={<PlusOutlined />}
            onClick={() => work.edit((draft) => addLevel(draft, tiers.id, newPartId()))}
          >
            Level
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

'use client';

import { Button, Segmented } from 'antd';
import { readDimension, setSpace, typedDimension } from '@/core/editing';
import { showAmount, showQuantity } from '@/core/number';
import type { SectionFigures } from '@/core/price';
import { perSquareFoot } from '@/core/price';
import type { Opening, Space } from '@/model';
import { newPartId, useEditor, useEditorActions } from '../context';
import { Cell } from '@/ui/live/Cell';

const emptySpace: Space = {
  shape: { kind: 'rectangle', length: { value: '0' }, width: { value: '0' } },
  openings: [],
};

function goOn(): void {
  const from = document.activeElement as HTMLElement | null;
  const cells = [...(from?.closest('tr')?.querySelectorAll<HTMLElement>('[data-cell="space"]') ?? [])];
  (cells[cells.indexOf(from!) + 1] ?? document.getElementById('add-line'))?.focus();
}

/** The dimensions behind a section, and what follows from them. */
export function SpaceRow({ figures }: { figures: SectionFigures }) {
  const { edit, readOnly, minorDigits, toggle, columns } = useEditorActions();
  const { work } = useEditor();
  const areas = (work.document.plans ?? []).flatMap(({ traced }) =>
    traced.filter(({ kind }) => kind === 'area'),
  );
  const { section } = figures;
  const space = section.space ?? emptySpace;
  const change = (next: Space) => edit((draft) => setSpace(draft, section.id, next));
  const { shape } = space;
  const read = figures.space;
  const found = section.space ? read?.figures : null;

  const field = (label: string, shown: string, commit: (text: string) => void, hint?: string) => (
    <label className="input-field" title={hint}>
      <span className="input-label">{label}</span>
      <Cell name="space" label={label} shown={shown} readOnly={readOnly} onEnter={goOn} commit={commit} />
    </label>
  );
  const side = (name: 'length' | 'width', label: string) =>
    shape.kind === 'rectangle' &&
    field(
      label,
      shape[name].value === '0' ? '' : typedDimension(shape[name]),
      (text) => change({ ...space, shape: { ...shape, [name]: readDimension(text) } }),
      'Feet and inches, or arithmetic: 12\' 6", 8+4',
    );
  const opening = (each: Opening, patch: Partial<Opening>) =>
    change({
      ...space,
      openings: space.openings.map((other) => (other.id === each.id ? { ...other, ...patch } : other)),
    });

  return (
    <tr className="row-inputs row-space" data-row={`${section.id} space`}>
      <td />
      <td colSpan={5 + columns.length}>
        <div className="inputs">
          <div className="input-field input-grade">
            <span className="input-label">Shape</span>
            <Segmented
              size="small"
              disabled={readOnly}
              aria-label="Shape"
              value={shape.kind}
              options={[
                { value: 'rectangle', label: 'Rectangle' },
                { value: 'outline', label: 'Outline' },
                ...(areas.length > 0 || shape.kind === 'traced' ? [{ value: 'traced', label: 'Plan' }] : []),
              ]}
              onChange={(kind) =>
                change({
                  ...space,
                  shape:
                    kind === 'outline'
                      ? { kind: 'outline', walk: '16 r 10 r 6 l 5 r 10 r 15' }
                      : kind === 'traced'
                        ? { kind: 'traced', measure: areas[0]?.name ?? '' }
                        : emptySpace.shape,
                })
              }
            />
          </div>
          {side('length', 'Length')}
          {side('width', 'Width')}
          {shape.kind === 'outline' && (
            <label className="input-field input-wide">
              <span className="input-label">Sides in order, r or l where it turns</span>
              <Cell
                name="space"
                label="Sides in order, r or l where it turns"
                shown={shape.walk}
                readOnly={readOnly}
                onEnter={goOn}
                commit={(text) =>
                  text.trim() && change({ ...space, shape: { kind: 'outline', walk: text.trim() } })
                }
              />
            </label>
          )}
          {shape.kind === 'traced' && (
            <label className="input-field">
              <span className="input-label">Traced area</span>
              <select
                className="input-select"
                aria-label="Traced area"
                disabled={readOnly}
                value={shape.measure}
                onChange={({ target }) =>
                  change({ ...space, shape: { kind: 'traced', measure: target.value } })
                }
              >
                {areas.every(({ name }) => name !== shape.measure) && <option>{shape.measure}</option>}
                {areas.map(({ name, label }) => (
                  <option key={name} value={name}>
                    {label}
                  </option>
                ))}
              </select>
            </label>
          )}
          {field('Height', typedDimension(space.height), (text) => {
            const { height: _, ...rest } = space;
            change(text.trim() === '' ? rest : { ...rest, height: readDimension(text) });
          })}
          {space.openings.map((each) => (
            <fieldset key={each.id} className="opening">
              <legend className="visually-hidden">{each.name}</legend>
              <label className="input-field">
                <span className="input-label">Opening</span>
                <Cell
                  name="space"
                  label="Name of the opening"
                  shown={each.name}
                  readOnly={readOnly}
                  onEnter={goOn}
                  commit={(text) => text.trim() && opening(each, { name: text.trim().slice(0, 200) })}
                />
              </label>
              {field('Wide', typedDimension(each.width), (text) =>
                opening(each, { width: readDimension(text) }),
              )}
              {field('High', typedDimension(each.height), (text) =>
                opening(each, { height: readDimension(text) }),
              )}
              {field('How many', String(each.count), (text) => {
                const count = Number(text);
                if (!Number.isInteger(count) || count < 1 || count > 1000)
                  throw new Error('A whole number from 1.');
                opening(each, { count });
              })}
              {!readOnly && (
                <button
                  type="button"
                  className="plain-button"
                  aria-label={`Remove opening ${each.name}`}
                  onClick={() =>
                    change({ ...space, openings: space.openings.filter(({ id }) => id !== each.id) })
                  }
                >
                  remove
                </button>
              )}
            </fieldset>
          ))}
        </div>
        <p className="space-figures">
          {read?.trouble && section.space && <span className="wrong">{read.trouble} </span>}
          {found && (
            <span>
              floor {showQuantity(found.floor)} sq ft · perimeter {showQuantity(found.perimeter)} ft
              {found.walls !== null && ` · walls ${showQuantity(found.walls)} sq ft`}
              {found.openings > 0n && ` (openings ${showQuantity(found.openings)} off)`}
            </span>
          )}
          {found && found.floor > 0n && (
            <span className="soft">
              {' '}
              · cost {showAmount(perSquareFoot(figures.cost, found.floor)!, minorDigits)}, price{' '}
              {showAmount(perSquareFoot(figures.net, found.floor)!, minorDigits)} per sq ft
            </span>
          )}
          {!found && !read?.trouble && (
            <span className="soft">
              Type a length and a width. Quantities can then follow: floor, walls * 1.1, perimeter - 3ft.
            </span>
          )}
        </p>
        {!readOnly && (
          <div className="space-acts">
            <Button
              size="small"
              onClick={() =>
                change({
                  ...space,
                  openings: [
                    ...space.openings,
                    {
                      id: newPartId(),
                      name: 'Door',
                      width: { value: '3' },
                      height: { value: '6.667', typed: '80in' },
                      count: 1,
                    },
                  ],
                })
              }
            >
              Add an opening
            </Button>
            {section.space && (
              <Button size="small" onClick={() => edit((draft) => setSpace(draft, section.id, null))}>
                No dimensions
              </Button>
            )}
            <Button size="small" onClick={() => toggle(`${section.id} space`)}>
              Close
            </Button>
          </div>
        )}
      </td>
    </tr>
  );
}

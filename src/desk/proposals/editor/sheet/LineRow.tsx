'use client';

import { HolderOutlined, MoreOutlined } from '@ant-design/icons';
import { useSortable } from '@dnd-kit/sortable';
import { Dropdown } from 'antd';
import type { KeyboardEvent } from 'react';
import { memo } from 'react';
import {
  askAbout,
  costsAlike,
  duplicateEntry,
  moveBy,
  removePart,
  setAllowance,
  setCost,
  setDescription,
  setExpected,
  setExtra,
  setPrice,
  setQuantity,
  setUnit,
} from '@/core/editing';
import { remarksOn } from '@/core/offer';
import { rulesInWords } from '@/core/allowance';
import type { Fixed } from '@/core/number';
import {
  ZERO_FIXED,
  ratio,
  roundFixed,
  showAmount,
  showDecimal,
  showQuantity,
  showUnitAmount,
  writeFixed,
} from '@/core/number';
import type { SectionLine } from '@/core/price';
import { itemUnitCost } from '@/core/price';
import type { Line, UnitCode } from '@/model';
import { unitCodes, unitName } from '@/model';
import { Cell } from '@/ui/live/Cell';
import { OptionalCells, showHours, showMargin } from './OptionalCells';
import { newPartId, useEditorActions } from '../context';

interface RowProps {
  readonly line: Line;
  readonly figures: SectionLine;
  readonly sectionId: string;
  /** Stands inside an alternative or a bundle. */
  readonly inner: 'alternative' | 'bundle' | null;
  readonly selected: boolean;
}

/** Marks an extra in few letters, so that the description keeps its room; the details say it in full. */
function ExtraMark({ line }: { line: Line }) {
  if (!line.extra) return null;
  const { quantity } = line.extra;
  const limits = quantity ? `, ${showDecimal(quantity.minimum)}–${showDecimal(quantity.maximum)}` : '';
  const long = `Extra, ${line.extra.in ? 'in unless left out' : 'out unless taken in'}${quantity ? '; the customer sets the quantity' : ''}`;
  return (
    <span className="choice-tag" title={long}>
      extra, {line.extra.in ? 'in' : 'out'}
      {limits}
    </span>
  );
}

/** The margin of a line in percent of its price: what its fee is taken to be when money is set aside for it. */
const usualFee = ({ net, costAmount }: SectionLine): Fixed =>
  costAmount > 0n && costAmount < net ? ((ratio(net - costAmount, net)! * 100n) as Fixed) : ZERO_FIXED;

/** One line of the sheet. */
export const LineRow = memo(function LineRow({ line, figures, sectionId, inner, selected }: RowProps) {
  const { edit, readOnly, setTarget, minorDigits, moved, toggle, select, reveal } = useEditorActions();
  const { setNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id: line.id,
    disabled: readOnly || inner !== null,
  });

  const act = (key: string) => {
    if (key === 'details') toggle(line.id);
    if (key === 'extra') edit((draft) => setExtra(draft, line.id, line.extra ? null : { in: false }));
    if (key === 'allowance')
      edit((draft) =>
        setAllowance(
          draft,
          line.id,
          line.allowance
            ? null
            : {
                rule: 'at our price',
                amount: writeFixed(roundFixed(figures.unitPrice, 2)),
                fee: figures.net > 0n ? writeFixed(roundFixed(usualFee(figures), 2)) : '0',
                shows: 'price',
                rounds: [],
              },
        ),
      );
    if (key === 'question')
      edit((draft) => askAbout(draft, line.id, { question: newPartId(), alternative: newPartId() }));
    if (key === 'copy') {
      let copy = '';
      edit((draft) => {
        copy = duplicateEntry(draft, line, newPartId);
      });
      reveal({ key: copy, cell: 'description' });
    }
    if (key === 'up' || key === 'down') edit((draft) => moveBy(draft, line.id, key === 'up' ? -1 : 1));
    if (key === 'remove') edit((draft) => removePart(draft, line.id));
  };

  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    if (readOnly) return;
    const hold = () => {
      event.preventDefault();
      event.stopPropagation();
    };
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      hold();
      (document.activeElement as HTMLElement | null)?.blur();
      const cell = (event.target as HTMLElement).dataset.cell;
      act(event.key === 'ArrowUp' ? 'up' : 'down');
      requestAnimationFrame(() =>
        document.querySelector<HTMLElement>(`[data-row="${line.id}"] [data-cell="${cell}"]`)?.focus(),
      );
    } else if (event.ctrlKey && (event.key === 'Delete' || event.key === 'Backspace')) {
      hold();
      const row = event.currentTarget;
      const rows = [...document.querySelectorAll<HTMLElement>('[data-row]')];
      const at = rows.indexOf(row);
      const next = rows[at + 1] ?? rows[at - 1];
      const cell = (event.target as HTMLElement).dataset.cell ?? 'description';
      act('remove');
      next?.querySelector<HTMLElement>(`[data-cell="${cell}"]`)?.focus();
    } else if (event.altKey && event.code === 'KeyX' && inner !== 'bundle') {
      hold();
      act('extra');
    } else if (event.altKey && event.code === 'KeyA' && inner !== 'bundle') {
      hold();
      act('allowance');
    } else if (event.ctrlKey && event.key === ' ' && !inner) {
      hold();
      select(line.id, event.shiftKey ? 'to' : 'one');
    } else if (event.altKey && event.code === 'KeyQ' && !inner) {
      hold();
      act('question');
    } else if (event.altKey && event.code === 'KeyC' && !inner) {
      hold();
      (document.activeElement as HTMLElement | null)?.blur();
      act('copy');
    } else if (event.altKey && event.key === 'Enter') {
      hold();
      toggle(line.id);
    }
  };

  const { replaced } = figures.cost;
  const now = line.itemId === undefined ? undefined : moved[line.itemId];
  return (
    <>
      <tr
        ref={setNodeRef}
        data-row={line.id}
        aria-selected={selected || undefined}
        className={`row ${selected ? 'row-selected' : ''} ${line.extra ? 'row-choice' : ''} ${inner ? 'row-inner' : ''} ${figures.included ? '' : 'row-out'} ${isDragging ? 'row-dragging' : ''}`}
        style={transform ? { transform: `translateY(${transform.y}px)`, transition: transition } : undefined}
        onKeyDown={onKeyDown}
        onFocus={() => {
          if (!inner) setTarget({ kind: 'section', sectionId, afterId: line.id });
        }}
      >
        <td className="row-grip">
          {!inner && !readOnly && (
            <button
              type="button"
              className="grip"
              aria-label={`Move ${line.description}`}
              onClick={(event) => select(line.id, event.shiftKey ? 'to' : 'one')}
              {...attributes}
              {...listeners}
              tabIndex={-1}
            >
              <HolderOutlined aria-hidden="true" />
            </button>
          )}
        </td>
        <td>
          <div className="row-name">
            <Cell
              name="description"
              label="Description"
              shown={line.description}
              readOnly={readOnly}
              commit={(text) => edit((draft) => setDescription(draft, line.id, text))}
            />
            <ExtraMark line={line} />
            {line.allowance && (
              <span className="choice-tag" title={rulesInWords[line.allowance.rule]}>
                allowance
              </span>
            )}
          </div>
          {figures.trouble !== null && <span className="row-remark wrong">{figures.trouble}</span>}
          {line.open && <span className="row-remark wrong">not decided: {line.open}</span>}
          {remarksOn(figures).map((remark) => (
            <span key={remark} className="row-remark wrong">
              {remark}
            </span>
          ))}
          {figures.minimumApplied && <span className="row-remark soft">minimum charge</span>}
          {line.quantityOpen && <span className="row-remark wrong">quantity not confirmed</span>}
          {replaced !== null && (
            <span className="row-remark wrong">cost changed, library has {showUnitAmount(replaced)}</span>
          )}
          {now && !costsAlike(line, now) && (
            <span className="row-remark wrong">
              the library has {showUnitAmount(itemUnitCost(now.costs))} now
            </span>
          )}
          {line.internalNote && <span className="row-remark soft">for us: {line.internalNote}</span>}
        </td>
        <td>
          <Cell
            name="quantity"
            label={`Quantity of ${line.description}`}
            align="right"
            shown={showQuantity(figures.quantity)}
            typed={line.formula ?? line.quantityTyped ?? line.quantity}
            mark={
              line.quantityOpen || figures.trouble !== null ? 'open' : line.formula ? 'follows' : undefined
            }
            readOnly={readOnly}
            commit={(text) => edit((draft) => setQuantity(draft, line.id, text))}
          />
        </td>
        <td className="row-unit">
          {line.itemId !== undefined || line.omits || inner === 'bundle' || readOnly ? (
            unitName(line.unit)
          ) : (
            <select
              className="cell"
              data-cell="unit"
              aria-label={`Unit of ${line.description}`}
              value={line.unit}
              onChange={({ target }) => edit((draft) => setUnit(draft, line.id, target.value as UnitCode))}
            >
              {unitCodes.map((unit) => (
                <option key={unit} value={unit}>
                  {unitName(unit)}
                </option>
              ))}
            </select>
          )}
        </td>
        <OptionalCells
          cells={{
            code: line.code,
            costCode: line.costCode,
            hours: showHours([figures]),
            margin: showMargin(figures.net, figures.costAmount),
            room: line.room,
            phase: line.phase,
            expected: inner !== 'bundle' && (
              <Cell
                name="expected"
                label={`Expected quantity of ${line.description}`}
                align="right"
                shown={line.expected === undefined ? '' : showDecimal(line.expected)}
                placeholder="same"
                readOnly={readOnly}
                commit={(text) => edit((draft) => setExpected(draft, line.id, text))}
              />
            ),
            cost: (
              <Cell
                name="cost"
                label={`Unit cost of ${line.description}`}
                align="right"
                shown={showUnitAmount(figures.cost.total)}
                typed={writeFixed(figures.cost.total)}
                mark={replaced === null ? undefined : 'typed'}
                readOnly={readOnly}
                commit={(text) => edit((draft) => setCost(draft, line.id, text))}
              />
            ),
            price: (
              <Cell
                name="price"
                label={`Unit price of ${line.description}`}
                align="right"
                shown={showUnitAmount(figures.unitPrice)}
                typed={writeFixed(figures.unitPrice)}
                mark={figures.held ? 'typed' : figures.shaped ? 'follows' : undefined}
                readOnly={readOnly}
                commit={(text) => edit((draft) => setPrice(draft, line.id, text))}
              />
            ),
          }}
        />
        <td className="amount row-amount">{showAmount(figures.net, minorDigits)}</td>
        <td className="row-more">
          {!readOnly && (
            <Dropdown
              trigger={['click']}
              menu={{
                onClick: ({ key }) => act(key),
                items: [
                  ...(inner === 'bundle'
                    ? []
                    : [
                        {
                          key: 'allowance',
                          label: line.allowance ? 'No longer an allowance' : 'Make it an allowance',
                          extra: 'Alt A',
                        },
                        {
                          key: 'extra',
                          label: line.extra ? 'Not an extra any more' : 'Make it an extra',
                          extra: 'Alt X',
                        },
                      ]),
                  ...(inner
                    ? []
                    : [{ key: 'question', label: 'Let the customer pick one of several', extra: 'Alt Q' }]),
                  { key: 'details', label: 'Details and notes', extra: 'Alt ↵' },
                  ...(inner ? [] : [{ key: 'copy', label: 'Copy', extra: 'Alt C' }]),
                  { key: 'up', label: 'Move up', extra: 'Alt ↑' },
                  { key: 'down', label: 'Move down', extra: 'Alt ↓' },
                  { key: 'remove', label: 'Remove', extra: 'Ctrl Del', danger: true },
                ],
              }}
            >
              <button
                type="button"
                className="grip"
                aria-label={`More for ${line.description}`}
                tabIndex={-1}
              >
                <MoreOutlined aria-hidden="true" />
              </button>
            </Dropdown>
          )}
        </td>
      </tr>
    </>
  );
});

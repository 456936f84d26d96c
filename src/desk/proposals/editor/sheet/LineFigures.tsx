import { setCost, setExpected, setPrice, setQuantity, setUnit } from '@/core/editing';
import { showAmount, showDecimal, showQuantity, showUnitAmount, writeFixed } from '@/core/number';
import type { SectionLine } from '@/core/price';
import { costInAll } from '@/core/price';
import type { Line, UnitCode } from '@/model';
import { useOurCompany } from '@/desk/companies/OurCompany';
import { unitName, unitsFor, withOwn } from '@/model';
import { Cell } from '@/ui/live/Cell';
import { useEditorActions } from '../context';
import { COMES, OptionalCells, showHours, showMargin } from './OptionalCells';
import type { Inner } from './useLineActs';

interface LineFiguresProps {
  readonly line: Line;
  readonly figures: SectionLine;
  readonly inner: Inner;
  readonly sectionTitle: string | undefined;
}

/** The unit of a line; one of our own has it to choose. */
function LineUnit({ line, inner }: LineFiguresProps) {
  const { edit, readOnly, measuring } = useEditorActions();
  const { ownUnits } = useOurCompany();
  if (line.itemId !== undefined || line.omits || inner === 'bundle' || readOnly)
    return <>{unitName(line.unit)}</>;
  return (
    <select
      className="cell"
      data-cell="unit"
      aria-label={`Unit of ${line.description}`}
      value={line.unit}
      onChange={({ target }) => edit((draft) => setUnit(draft, line.id, target.value as UnitCode))}
    >
      {unitsFor(measuring, withOwn(ownUnits, line.unit)).map((unit) => (
        <option key={unit} value={unit}>
          {unitName(unit)}
        </option>
      ))}
    </select>
  );
}

/** The cells of a line behind its description: quantity, unit, the columns chosen, and what it comes to. */
export function LineFigures(props: LineFiguresProps) {
  const { line, figures, inner } = props;
  const { edit, readOnly, minorDigits } = useEditorActions();
  const open = line.quantityOpen || figures.trouble !== null;
  const cell = (
    name: string,
    what: string,
    rest: Omit<Parameters<typeof Cell>[0], 'name' | 'label' | 'align' | 'readOnly'>,
  ) => (
    <Cell name={name} label={`${what} of ${line.description}`} align="right" readOnly={readOnly} {...rest} />
  );
  return (
    <>
      <td>
        {cell('quantity', 'Quantity', {
          shown: showQuantity(figures.quantity),
          typed: line.formula ?? line.quantityTyped ?? line.quantity,
          mark: open ? 'open' : line.formula ? 'follows' : undefined,
          commit: (text) => edit((draft) => setQuantity(draft, line.id, text)),
        })}
      </td>
      <td className="row-unit">
        <LineUnit {...props} />
      </td>
      <OptionalCells
        cells={{
          section: props.sectionTitle,
          code: line.code,
          costCode: line.costCode,
          hours: showHours([figures]),
          margin: showMargin(figures.net, figures.costAmount),
          room: line.room,
          phase: line.phase,
          expected:
            inner !== 'bundle' &&
            cell('expected', 'Expected quantity', {
              shown: line.expected === undefined ? '' : showDecimal(line.expected),
              placeholder: 'same',
              commit: (text) => edit((draft) => setExpected(draft, line.id, text)),
            }),
          cost: cell('cost', 'Unit cost', {
            shown: showUnitAmount(costInAll(figures)),
            typed: writeFixed(figures.cost.total),
            mark: figures.cost.replaced === null ? undefined : 'typed',
            commit: (text) => edit((draft) => setCost(draft, line.id, text)),
          }),
          price: cell('price', 'Unit price', {
            shown: figures.unpriced ? COMES : showUnitAmount(figures.unitPrice),
            typed: figures.unpriced ? '' : writeFixed(figures.unitPrice),
            mark: figures.held ? 'typed' : figures.shaped ? 'follows' : undefined,
            commit: (text) => edit((draft) => setPrice(draft, line.id, text)),
          }),
        }}
      />
      <td className="amount row-amount">{figures.unpriced ? COMES : showAmount(figures.net, minorDigits)}</td>
    </>
  );
}

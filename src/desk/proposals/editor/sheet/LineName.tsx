import { rulesInWords } from '@/core/allowance';
import { onOrder } from '@/core/explain';
import { costsAlike, saidOtherwise, setDescription } from '@/core/editing';
import { showDecimal, showUnitAmount } from '@/core/number';
import { remarksOn } from '@/core/offer';
import type { SectionLine } from '@/core/price';
import { itemUnitCost } from '@/core/price';
import type { Line } from '@/model';
import { Cell } from '@/ui/live/Cell';
import { useEditorActions } from '../context';

/** Marks an extra in few letters, so that the description keeps its room; the details say it in full. */
function ExtraMark({ line }: { readonly line: Line }) {
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

/** What there is to say of a line: what is wrong or open first, what is only good to know after. */
function remarks(line: Line, figures: SectionLine, moved: ReturnType<typeof useEditorActions>['moved']) {
  const { replaced } = figures.cost;
  const now = line.itemId === undefined ? undefined : moved[line.itemId];
  return {
    wrong: [
      figures.trouble,
      line.open && `not decided: ${line.open}`,
      ...remarksOn(figures),
      line.quantityOpen && 'quantity not confirmed',
      ...saidOtherwise(line),
      replaced !== null &&
        line.itemId !== undefined &&
        `cost changed, library has ${showUnitAmount(replaced)}`,
      now && !costsAlike(line, now) && `the library has ${showUnitAmount(itemUnitCost(now.costs))} now`,
    ].filter(Boolean),
    soft: [
      figures.minimumApplied && 'minimum charge',
      ...onOrder(figures),
      line.overtime && 'labor at the overtime rate',
      line.internalNote && `for us: ${line.internalNote}`,
      line.crewNote && `for the crew: ${line.crewNote}`,
    ].filter(Boolean),
  };
}

/** The description of a line, with what marks it and what there is to say of it. */
export function LineName({ line, figures }: { readonly line: Line; readonly figures: SectionLine }) {
  const { edit, readOnly, moved } = useEditorActions();
  const { wrong, soft } = remarks(line, figures, moved);
  return (
    <>
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
      {wrong.map((remark) => (
        <span key={String(remark)} className="row-remark wrong">
          {remark}
        </span>
      ))}
      {soft.map((remark) => (
        <span key={String(remark)} className="row-remark soft">
          {remark}
        </span>
      ))}
    </>
  );
}

'use client';

import { Alert, Button, Checkbox } from 'antd';
import { setTaxComponent, setTaxTerms, takeTaxes, taxMoves } from '@/core/editing';
import { showAmount } from '@/core/number';
import { useEditor } from '../context';
import { Cell } from '@/ui/live/Cell';
import { readPercent } from '@/core/quantity';

/** Says where the percentages of this proposal are not those of the company now, and takes those. */
function TaxesNow() {
  const { work, taxesNow, readOnly } = useEditor();
  const moves = taxMoves(work.document, taxesNow);
  if (moves.length === 0) return null;
  return (
    <Alert
      type="warning"
      className="below"
      title={moves.map(({ name, before, after }) => `${name}: ${before} % here, ${after} % now`).join('; ')}
      action={
        readOnly ? undefined : (
          <Button size="small" onClick={() => work.edit((draft) => takeTaxes(draft, taxesNow))}>
            Take the taxes of now
          </Button>
        )
      }
    />
  );
}

/** Tax by component, and how it is reckoned. */
export function TaxTable() {
  const { work, figures, readOnly } = useEditor();
  const { document: proposal, edit } = work;
  const { tax } = proposal;
  const terms = (change: Parameters<typeof setTaxTerms>[1]) => edit((draft) => setTaxTerms(draft, change));
  const rows = proposal.taxClasses.flatMap((taxClass) =>
    taxClass.components.map((component, place) => ({ taxClass, component, place })),
  );
  return (
    <>
      <h2>Tax</h2>
      <TaxesNow />
      <table className="table-plain">
        <tbody>
          {rows.map(({ taxClass, component, place }) => {
            const found = figures.taxes.find(
              (each) => each.taxClass === taxClass.id && each.component === component.id,
            )!;
            return (
              <tr key={`${taxClass.id}.${component.id}`}>
                <td>
                  {component.name} <span className="soft">· {taxClass.name}</span>
                </td>
                <td className="cell-narrow">
                  <Cell
                    name="tax"
                    label={`${component.name}, percent`}
                    align="right"
                    shown={component.percent}
                    readOnly={readOnly}
                    commit={(text) => {
                      const percent = readPercent(text, 100);
                      edit((draft) => setTaxComponent(draft, taxClass.id, component.id, { percent }));
                    }}
                  />
                </td>
                <td className="nowrap">
                  %{' '}
                  {place > 0 && (
                    <Checkbox
                      disabled={readOnly}
                      checked={component.onTop === true}
                      onChange={({ target }) =>
                        edit((draft) =>
                          setTaxComponent(draft, taxClass.id, component.id, { onTop: target.checked }),
                        )
                      }
                    >
                      on top of those before
                    </Checkbox>
                  )}
                </td>
                <td className="soft">on {showAmount(found.base, figures.minorDigits)}</td>
                <td className="amount">{showAmount(found.amount, figures.minorDigits)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <div className="choice-terms">
        <Checkbox
          disabled={readOnly}
          checked={tax?.inside === true}
          onChange={({ target }) => terms({ inside: target.checked ? true : null })}
        >
          Prices include the tax
        </Checkbox>
        {!tax?.inside && (
          <Checkbox
            disabled={readOnly}
            checked={tax?.shown === 'with tax'}
            onChange={({ target }) => terms({ shown: target.checked ? 'with tax' : null })}
          >
            The customer sees prices including tax
          </Checkbox>
        )}
        <Checkbox
          disabled={readOnly}
          checked={tax?.rounding === 'line'}
          onChange={({ target }) => terms({ rounding: target.checked ? 'line' : null })}
        >
          Rounded on every line
        </Checkbox>
        <Checkbox
          disabled={readOnly}
          checked={tax?.exempt !== undefined}
          onChange={({ target }) => terms({ exempt: target.checked ? 'Exempt' : null })}
        >
          This customer pays no tax
        </Checkbox>
        {tax?.exempt && (
          <Cell
            name="exempt"
            label="Why no tax is charged"
            shown={tax.exempt.reason}
            readOnly={readOnly}
            commit={(text) => terms({ exempt: text })}
          />
        )}
      </div>
    </>
  );
}

'use client';

import { setSectionDiscount, setSectionLoads } from '@/core/editing';
import { showAmount, showPercent } from '@/core/number';
import type { LoadSet } from '@/model';
import { useEditor } from '../context';
import { Cell } from '../sheet/Cell';
import { discountAsTyped, readDiscount } from './typed';

const sameLoads = (a: LoadSet['loads'], b: LoadSet['loads']): boolean =>
  JSON.stringify(a) === JSON.stringify(b);

/** Each section beside the others: what it costs, by which loads it is priced, what is taken off, what it earns. */
export function SectionPrices({ loadSets }: { loadSets: readonly LoadSet[] }) {
  const { work, figures, readOnly } = useEditor();
  const { edit } = work;
  return (
    <>
      <h2>Sections</h2>
      <table className="table-plain">
        <thead>
          <tr>
            <th>Section</th>
            {loadSets.length > 0 && <th>Priced by</th>}
            <th className="amount">Cost</th>
            <th className="amount">Discount</th>
            <th className="amount">Price</th>
            <th className="amount">Margin</th>
          </tr>
        </thead>
        <tbody>
          {figures.sections.map(({ section, cost, net, margin, included }) => {
            const set = section.loads && loadSets.find(({ loads }) => sameLoads(loads, section.loads!));
            return (
              <tr key={section.id}>
                <td>{section.title}</td>
                {loadSets.length > 0 && (
                  <td>
                    <select
                      className="plain-field"
                      aria-label={`${section.title}: priced by`}
                      disabled={readOnly}
                      value={section.loads ? (set?.id ?? 'own') : ''}
                      onChange={({ target }) => {
                        const wanted = loadSets.find(({ id }) => id === target.value);
                        edit((draft) =>
                          setSectionLoads(draft, section.id, wanted ? structuredClone(wanted.loads) : null),
                        );
                      }}
                    >
                      <option value="">as the whole</option>
                      {section.loads && !set && <option value="own">loads of its own</option>}
                      {loadSets.map(({ id, name }) => (
                        <option key={id} value={id}>
                          {name}
                        </option>
                      ))}
                    </select>
                  </td>
                )}
                <td className="amount">{showAmount(cost, figures.minorDigits)}</td>
                <td className="cell-narrow">
                  <Cell
                    name="section-discount"
                    label={`Discount on ${section.title}`}
                    align="right"
                    shown={discountAsTyped(section.discount)}
                    placeholder="none"
                    readOnly={readOnly}
                    commit={(text) => {
                      const discount = readDiscount(text, figures.minorDigits);
                      edit((draft) => setSectionDiscount(draft, section.id, discount));
                    }}
                  />
                </td>
                <td className="amount">{included ? showAmount(net, figures.minorDigits) : 'not in'}</td>
                <td className="amount">{margin === null ? '' : `${showPercent(margin)} %`}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}

'use client';

import { Select } from 'antd';
import { Fragment } from 'react';
import {
  setBundleDiscount,
  setBundleLoads,
  setSectionDiscount,
  setSectionLoads,
  withReason,
} from '@/core/editing';
import type { Amount, Fixed } from '@/core/number';
import { ratio, showAmount, showPercent } from '@/core/number';
import type { Discount, Load, LoadSet } from '@/model';
import { useEditor, useEditorActions } from '../context';
import { Cell } from '@/ui/live/Cell';
import { discountAsTyped, readDiscount } from '@/core/quantity';

const sameLoads = (a: LoadSet['loads'], b: LoadSet['loads']): boolean =>
  JSON.stringify(a) === JSON.stringify(b);

interface Priced {
  readonly name: string;
  readonly loads: readonly Load[] | undefined;
  readonly discount: Discount | undefined;
  readonly cost: Amount;
  readonly net: Amount;
  readonly margin: Fixed | null;
  readonly included: boolean;
}

/** Each section beside the others, its bundles below: what it costs, by which loads it is priced, what is taken off. */
export function SectionPrices({ loadSets }: { loadSets: readonly LoadSet[] }) {
  const { work, figures } = useEditor();
  const { seesCost } = useEditorActions();
  const { edit } = work;
  return (
    <>
      <h2>Sections and bundles</h2>
      <table className="table-plain">
        <thead>
          <tr>
            <th>Section</th>
            {loadSets.length > 0 && <th>Priced by</th>}
            {seesCost && <th className="amount">Cost</th>}
            <th className="amount">Discount</th>
            <th className="amount">Price</th>
            {seesCost && <th className="amount">Margin</th>}
          </tr>
        </thead>
        <tbody>
          {figures.sections.map(({ section, cost, net, margin, included, bundles }) => (
            <Fragment key={section.id}>
              <PricedRow
                priced={{
                  name: section.title,
                  loads: section.loads,
                  discount: section.discount,
                  cost,
                  net,
                  margin,
                  included,
                }}
                above="as the whole"
                loadSets={loadSets}
                setLoads={(loads) => edit((draft) => setSectionLoads(draft, section.id, loads))}
                setDiscount={(discount) => edit((draft) => setSectionDiscount(draft, section.id, discount))}
              />
              {[...bundles.values()].map(({ bundle, sized, ...sums }) => (
                <PricedRow
                  key={bundle.id}
                  inner
                  priced={{
                    name: sized.name,
                    loads: bundle.loads,
                    discount: bundle.discount,
                    cost: sums.cost,
                    net: sums.net,
                    margin: ratio(sums.net - sums.cost, sums.net),
                    included: sums.included,
                  }}
                  above="as its section"
                  loadSets={loadSets}
                  setLoads={(loads) => edit((draft) => setBundleLoads(draft, bundle.id, loads))}
                  setDiscount={(discount) => edit((draft) => setBundleDiscount(draft, bundle.id, discount))}
                />
              ))}
            </Fragment>
          ))}
        </tbody>
      </table>
    </>
  );
}

function PricedRow({
  priced: { name, loads, discount, cost, net, margin, included },
  above,
  loadSets,
  inner = false,
  setLoads,
  setDiscount,
}: {
  priced: Priced;
  /** What stands where it has no markup of its own. */
  above: string;
  loadSets: readonly LoadSet[];
  inner?: boolean;
  setLoads: (loads: Load[] | null) => void;
  setDiscount: (discount: Discount | null) => void;
}) {
  const { figures, readOnly } = useEditor();
  const { seesCost } = useEditorActions();
  const set = loads && loadSets.find((each) => sameLoads(each.loads, [...loads]));
  return (
    <tr className={inner ? 'soft' : undefined}>
      <td style={inner ? { paddingLeft: 28 } : undefined}>{name}</td>
      {loadSets.length > 0 && (
        <td>
          <Select
            size="small"
            popupMatchSelectWidth={false}
            aria-label={`${name}: priced by`}
            disabled={readOnly}
            value={loads ? (set?.id ?? 'own') : ''}
            onChange={(picked: string) => {
              const wanted = loadSets.find(({ id }) => id === picked);
              setLoads(wanted ? structuredClone(wanted.loads) : null);
            }}
            options={[
              { value: '', label: above },
              ...(loads && !set ? [{ value: 'own', label: 'markup of its own' }] : []),
              ...loadSets.map((each) => ({ value: each.id, label: each.name })),
            ]}
          />
        </td>
      )}
      {seesCost && <td className="amount">{showAmount(cost, figures.minorDigits)}</td>}
      <td className="cell-narrow">
        <Cell
          name="section-discount"
          label={`Discount on ${name}`}
          align="right"
          shown={discountAsTyped(discount)}
          placeholder="none"
          readOnly={readOnly}
          commit={(text) => {
            const next = readDiscount(text, figures.minorDigits);
            setDiscount(next && withReason(next, discount?.reason ?? ''));
          }}
        />
        {discount && !inner && (
          <Cell
            name="section-discount-reason"
            label={`Why the discount on ${name}, as the customer reads it`}
            shown={discount.reason ?? ''}
            placeholder="why"
            readOnly={readOnly}
            commit={(text) => setDiscount(withReason(discount, text))}
          />
        )}
      </td>
      <td className="amount">{included ? showAmount(net, figures.minorDigits) : 'not in'}</td>
      {seesCost && <td className="amount">{margin === null ? '' : `${showPercent(margin)} %`}</td>}
    </tr>
  );
}

'use client';

import type { LoadSet } from '@/model';
import { useEditorActions } from '../context';
import { AreaFields } from './AreaFields';
import { CashPanel } from './CashPanel';
import { ExpectedPanel } from './ExpectedPanel';
import { FeesTable } from './FeesTable';
import { LoadsTable } from './LoadsTable';
import { SectionPrices } from './SectionPrices';
import { ShapePanel } from './ShapePanel';
import { TaxTable } from './TaxTable';
import { TypeMargins } from './TypeMargins';
import { DiscountColumns, WholeDiscount } from './WholeDiscount';
import '../choices/choices.css';

/** From cost to price: sections, loads in their order, discounts, fees and tax. */
export function PriceStep({ loadSets }: { loadSets: readonly LoadSet[] }) {
  const { seesCost } = useEditorActions();
  // Who sees no cost gives discounts and asks for fees and taxes; what makes a price out of a cost is not theirs.
  if (!seesCost)
    return (
      <div className="step">
        <SectionPrices loadSets={[]} />
        <h2>Off the whole</h2>
        <table className="table-plain loads-table">
          <DiscountColumns />
          <tbody>
            <WholeDiscount />
          </tbody>
        </table>
        <FeesTable />
        <TaxTable />
      </div>
    );
  return (
    <div className="step">
      <AreaFields />
      <SectionPrices loadSets={loadSets} />
      <LoadsTable loadSets={loadSets} />
      <TypeMargins />
      <ShapePanel />
      <ExpectedPanel />
      <CashPanel />
      <FeesTable />
      <TaxTable />
    </div>
  );
}

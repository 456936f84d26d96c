'use client';

import type { LoadSet } from '@/model';
import { AreaFields } from './AreaFields';
import { CashPanel } from './CashPanel';
import { ExpectedPanel } from './ExpectedPanel';
import { FeesTable } from './FeesTable';
import { LoadsTable } from './LoadsTable';
import { SectionPrices } from './SectionPrices';
import { ShapePanel } from './ShapePanel';
import { TaxTable } from './TaxTable';
import { TypeMargins } from './TypeMargins';
import '../choices/choices.css';

/** From cost to price: sections, loads in their order, discounts, fees and tax. */
export function PriceStep({ loadSets }: { loadSets: readonly LoadSet[] }) {
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

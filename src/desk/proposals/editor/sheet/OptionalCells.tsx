'use client';

import type { ReactNode } from 'react';
import type { Amount } from '@/core/number';
import { ratio, showPercent, showQuantity } from '@/core/number';
import type { SectionLine } from '@/core/price';
import { labourHours } from '@/core/price';
import { useEditorActions } from '../context';
import type { Column } from './columns';

/** What stands where a price is computed elsewhere and has not come yet. */
export const COMES = '…';

/** The cells of the chosen columns; what a row has nothing for stays empty. */
export function OptionalCells({ cells }: { readonly cells: Partial<Record<Column, ReactNode>> }) {
  const { columns } = useEditorActions();
  return columns.map((column) => {
    const cell = cells[column];
    return column === 'cost' || column === 'price' || column === 'expected' ? (
      <td key={column}>{cell}</td>
    ) : (
      <td
        key={column}
        className={`row-extra ${column === 'hours' || column === 'margin' ? 'amount' : ''} soft`}
        {...(typeof cell === 'string' ? { title: cell } : {})}
      >
        {cell}
      </td>
    );
  });
}

/** (Net − cost) ÷ net in percent; nothing where there is nothing to divide by. */
export function showMargin(net: Amount, cost: Amount): string {
  const share = ratio(net - cost, net);
  return share === null ? '' : `${showPercent(share)} %`;
}

/** Hours of work in lines; nothing where there is none. */
export function showHours(lines: readonly SectionLine[]): string {
  const hours = labourHours(lines);
  return hours === 0n ? '' : showQuantity(hours);
}

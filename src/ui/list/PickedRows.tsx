'use client';

import { Button } from 'antd';
import type { ListSpec } from '@/core/lists';
import { sumColumn } from '@/core/lists';
import { showDecimal } from '@/core/number';
import { ExportLink } from '@/ui/may/ExportLink';

/** What is selected on the page of a list: how many rows, what they come to, and they as a file. */
export const PickedRows = <Row extends { readonly id: string }>({
  spec,
  rows,
  file,
  clear,
  children,
}: {
  readonly spec: ListSpec;
  readonly rows: readonly Row[];
  readonly file: string;
  readonly clear: () => void;
  /** What can be done with them. */
  readonly children?: React.ReactNode;
}) => (
  <div className="list-picked" role="status">
    <span>
      {rows.length} selected
      {spec.columns
        .filter(({ total }) => total)
        .map(({ key, title }) => (
          <span key={key}>
            {' '}
            · {title} {showDecimal(sumColumn(rows, key))}
          </span>
        ))}
    </span>
    {children}
    <ExportLink href={`${file}&ids=${rows.map(({ id }) => id).join(',')}`}>Export selected</ExportLink>
    <Button type="link" size="small" onClick={clear}>
      Select none
    </Button>
  </div>
);

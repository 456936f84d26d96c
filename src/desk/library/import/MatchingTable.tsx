'use client';

import { Select } from 'antd';
import type { StartedImport } from '@/services/library/importItems';
import type { LibraryField, Matching } from '@/core/importing';
import { PlainTable } from '@/ui/tables/PlainTable';
import { libraryFieldNames } from '@/core/importing';

const words = (field: LibraryField) => field.replace(/_/g, ' ');

/** What each column of the file is, with its first rows below. */
export function MatchingTable({
  file,
  matching,
  match,
}: {
  readonly file: StartedImport;
  readonly matching: Matching;
  readonly match: (column: number, field: LibraryField | null) => void;
}) {
  return (
    <div className="import-columns">
      <PlainTable<{ readonly cells: readonly string[]; readonly row: number }>
        label="Columns of the file"
        rows={file.samples.map((cells, row) => ({ cells, row }))}
        rowKey={({ row }) => row}
        columns={file.headings.map((heading, i) => ({
          key: String(i),
          title: (
            <>
              {heading || <span className="soft">no heading</span>}
              <Select
                size="small"
                className="import-field"
                aria-label={`What column ${heading || i + 1} is`}
                {...(matching[i] === null ? { status: 'warning' as const } : {})}
                showSearch={{ optionFilterProp: 'label' }}
                value={matching[i] ?? ''}
                options={[
                  { value: '', label: 'left out' },
                  ...libraryFieldNames.map((field) => ({ value: field, label: words(field) })),
                ]}
                onChange={(field: LibraryField | '') => match(i, field === '' ? null : field)}
              />
            </>
          ),
          cell: ({ cells }: { readonly cells: readonly string[] }) => {
            const cell = cells[i] ?? '';
            return (
              <span className={matching[i] === null ? 'soft' : ''}>
                {cell.length > 40 ? `${cell.slice(0, 40)} …` : cell}
              </span>
            );
          },
        }))}
      />
      {!matching.includes('code') && (
        <p className="wrong">Say which column is the code: items are told apart by it.</p>
      )}
    </div>
  );
}

'use client';

import type { StartedImport } from '@/services/library/importItems';
import type { LibraryField, Matching } from '@/core/importing';
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
      <table className="table-plain">
        <thead>
          <tr>
            {file.headings.map((heading, i) => (
              <th key={i}>{heading || <span className="soft">no heading</span>}</th>
            ))}
          </tr>
          <tr>
            {file.headings.map((heading, i) => (
              <th key={i}>
                <select
                  className={`input-select ${matching[i] === null ? 'import-unmatched' : ''}`}
                  aria-label={`What column ${heading || i + 1} is`}
                  value={matching[i] ?? ''}
                  onChange={({ target }) =>
                    match(i, target.value === '' ? null : (target.value as LibraryField))
                  }
                >
                  <option value="">left out</option>
                  {libraryFieldNames.map((field) => (
                    <option key={field} value={field}>
                      {words(field)}
                    </option>
                  ))}
                </select>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {file.samples.map((cells, row) => (
            <tr key={row}>
              {cells.map((cell, i) => (
                <td key={i} className={matching[i] === null ? 'soft' : ''}>
                  {cell.length > 40 ? `${cell.slice(0, 40)} …` : cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {!matching.includes('code') && (
        <p className="wrong">Say which column is the code: items are told apart by it.</p>
      )}
    </div>
  );
}

'use client';

import type { InputRef } from 'antd';
import { Button, Checkbox, Dropdown, Input, Popover } from 'antd';
import { useRef, useState } from 'react';
import type { ListColumn, ListSpec, ListState } from '@/core/lists';
import { isNarrowed } from '@/core/lists';
import type { ListPreferences } from '@/model';
import { ListFilters } from './ListFilters';
import { ListViews } from './ListViews';
import { useSlash } from './useSlash';
import { May } from '@/ui/may/May';

/** What stands over a list: its search and filters, views, columns and files. */
export function ListTools({
  spec,
  asked,
  find,
  path,
  address,
  columns,
  count,
  views,
  file,
  go,
  type,
  keep,
}: {
  readonly spec: ListSpec;
  readonly asked: ListState;
  readonly find: string;
  readonly path: string;
  /** Parameters of what is shown. */
  readonly address: string;
  readonly columns: readonly ListColumn[];
  readonly count: number;
  readonly views: NonNullable<ListPreferences['views']>;
  /** Where what is shown is had as a file. */
  readonly file: (format: 'csv' | 'xlsx') => string;
  readonly go: (change: Partial<ListState>) => void;
  readonly type: (search: string) => void;
  readonly keep: (preferences: ListPreferences) => void;
}) {
  const field = useRef<InputRef>(null);
  const [filtering, setFiltering] = useState(false);
  useSlash(() => field.current?.focus({ cursor: 'all' }));
  const narrowed = isNarrowed({ ...asked, search: '' });
  return (
    <>
      <div className="list-tools" role="search">
        <Input
          ref={field}
          className="list-find"
          placeholder={find}
          aria-label={`Find in ${spec.name}`}
          allowClear
          maxLength={200}
          value={asked.search}
          onChange={({ target }) => type(target.value)}
        />
        <span className="list-acts">
          {spec.filters.length > 0 && (
            <Button
              className="list-filtering"
              aria-expanded={filtering}
              onClick={() => setFiltering(!filtering)}
            >
              {narrowed ? 'Filters, some set' : 'Filters'}
            </Button>
          )}
          <ListViews path={path} address={address} views={views} save={(next) => keep({ views: next })} />
          <Popover
            trigger="click"
            placement="bottomRight"
            content={
              <Checkbox.Group
                className="list-columns"
                value={columns.map(({ key }) => key)}
                options={spec.columns.map(({ key, title }) => ({ value: key, label: title }))}
                onChange={(keys) => keys.length > 0 && keep({ columns: keys })}
              />
            }
          >
            <Button>Columns</Button>
          </Popover>
          <May any={['export']}>
            <Dropdown
              trigger={['click']}
              menu={{
                items: (['csv', 'xlsx'] as const).map((format) => ({
                  key: format,
                  label: (
                    <a href={file(format)} download>
                      {format.toUpperCase()}, {count} {count === 1 ? 'row' : 'rows'}
                    </a>
                  ),
                })),
              }}
            >
              <Button disabled={count === 0}>Export</Button>
            </Dropdown>
          </May>
        </span>
      </div>
      {spec.filters.length > 0 && (
        <div
          className={`list-tools list-filters ${filtering ? 'list-filters-open' : ''}`}
          role="group"
          aria-label="Filters"
        >
          <ListFilters spec={spec} state={asked} go={go} />
          {isNarrowed(asked) && (
            <Button type="link" onClick={() => go({ search: '', filters: {} })}>
              Clear filters
            </Button>
          )}
        </div>
      )}
    </>
  );
}

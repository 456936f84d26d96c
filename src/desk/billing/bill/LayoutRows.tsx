import { Empty, Input, Select, Table } from 'antd';
import { useMemo, useState } from 'react';
import type { ProgressBilling } from '@/services/billing/progressBilling';
import { hasAllWords } from '@/core/text/hasAllWords';
import type { InvoiceShows } from '@/model';

interface LayoutRow {
  readonly id: string;
  readonly name: string;
  readonly section: string;
  /** Its parts, where it is a bundle. */
  readonly parts: number | null;
}

/** The bundles of an agreement, then each of its lines. */
function layoutRows({ ledger, lines }: ProgressBilling): LayoutRow[] {
  const bundles = new Map<string, LayoutRow & { parts: number }>();
  const rows: LayoutRow[] = [];
  for (const { id, description, sectionTitle } of ledger.lines) {
    const { bundle } = lines[id]!;
    const known = bundle && bundles.get(bundle.id);
    if (known) known.parts += 1;
    else if (bundle) {
      const row = { id: bundle.id, name: bundle.name, section: sectionTitle, parts: 1 };
      bundles.set(bundle.id, row);
      rows.push(row);
    }
    rows.push({ id, name: description, section: sectionTitle, parts: null });
  }
  return rows;
}

type Singles = 'each' | 'eachBundle';

/** A single row said otherwise; as the paper, where nothing is. */
function withRow(shows: InvoiceShows, key: Singles, id: string, value: string): InvoiceShows {
  const { [key]: before = {}, ...rest } = shows;
  const { [id]: _, ...others } = before as Record<string, string>;
  const next = value === '' ? others : { ...others, [id]: value };
  return (Object.keys(next).length === 0 ? rest : { ...rest, [key]: next }) as InvoiceShows;
}

/** Single lines and bundles that stand otherwise on the paper than it has it for all. */
export function LayoutRows({
  work,
  shows,
  change,
}: {
  readonly work: ProgressBilling;
  readonly shows: InvoiceShows;
  readonly change: (shows: InvoiceShows) => void;
}) {
  const [search, setSearch] = useState('');
  const rows = useMemo(() => layoutRows(work), [work]);
  const found = rows.filter(({ name, section }) => hasAllWords(search, `${name} ${section}`));
  const set = (key: Singles, id: string) => (value: string) => change(withRow(shows, key, id, value));
  return (
    <section className="layout-rows">
      <h3>Single rows</h3>
      <p className="soft">
        What is billed stands on the paper always: else it would not add up. Here a row can stand on it while
        nothing of it is billed, or be left out.
      </p>
      {rows.length > 10 && (
        <Input.Search
          aria-label="Find a row"
          placeholder="Find a row"
          allowClear
          value={search}
          onChange={({ target }) => setSearch(target.value)}
        />
      )}
      <Table<LayoutRow>
        size="small"
        rowKey="id"
        dataSource={found}
        pagination={{ pageSize: 12, hideOnSinglePage: true, showSizeChanger: false }}
        locale={{ emptyText: <Empty image={null} description="No row has these words." /> }}
        columns={[
          {
            key: 'row',
            title: 'Row',
            render: (_, { name, section, parts }) => (
              <>
                {name}
                <span className="soft"> · {parts === null ? section : `bundle of ${parts}`}</span>
              </>
            ),
          },
          {
            key: 'unbilled',
            title: 'While nothing is billed',
            width: 180,
            render: (_, { id, name }) => (
              <Select
                size="small"
                className="layout-choice"
                aria-label={`While nothing is billed: ${name}`}
                value={shows.each?.[id] ?? ''}
                onChange={set('each', id)}
                options={[
                  { value: '', label: 'As all' },
                  { value: 'zero', label: 'Shown with nothing' },
                  { value: 'hidden', label: 'Left out' },
                ]}
              />
            ),
          },
          {
            key: 'bundle',
            title: 'Bundle',
            width: 130,
            render: (_, { id, name, parts }) =>
              parts !== null && (
                <Select
                  size="small"
                  className="layout-choice"
                  aria-label={`Bundle: ${name}`}
                  value={shows.eachBundle?.[id] ?? ''}
                  onChange={set('eachBundle', id)}
                  options={[
                    { value: '', label: 'As all' },
                    { value: 'one', label: 'One line' },
                    { value: 'parts', label: 'Its parts' },
                  ]}
                />
              ),
          },
        ]}
      />
    </section>
  );
}

'use client';

import { Checkbox, Drawer, Select } from 'antd';
import type { ProgressBilling } from '@/services/billing/progressBilling';
import type { InvoiceShows } from '@/model';
import { PHONE, useNarrow } from '@/ui/screen/useScreenWidth';
import { KeepLayout } from './KeepLayout';
import type { LayoutActions } from './layoutActions';
import { LayoutRows } from './LayoutRows';

/** What is left out stands for nothing said. */
const without = <K extends keyof InvoiceShows>(shows: InvoiceShows, key: K): InvoiceShows => {
  const { [key]: _, ...rest } = shows;
  return rest as InvoiceShows;
};

const withOne = <K extends 'summary' | 'codes' | 'rows'>(
  shows: InvoiceShows,
  key: K,
  value: NonNullable<InvoiceShows[K]> | '',
): InvoiceShows => (value === '' ? without(shows, key) : { ...shows, [key]: value });

/** How the whole paper is laid out. */
function WholePaper({
  shows,
  change,
}: {
  readonly shows: InvoiceShows;
  readonly change: (shows: InvoiceShows) => void;
}) {
  const hasRows = shows.rows !== 'none' || shows.summary === undefined;
  return (
    <div className="layout-fields">
      <div className="bill-field">
        Summary first
        <Select
          aria-label="Summary first"
          value={shows.summary ?? ''}
          onChange={(summary: NonNullable<InvoiceShows['summary']> | '') => {
            const next = withOne(shows, 'summary', summary);
            // Without a summary the rows say what is billed.
            change(summary === '' && next.rows === 'none' ? without(next, 'rows') : next);
          }}
          options={[
            { value: '', label: 'None' },
            { value: 'section', label: 'All work by section' },
            { value: 'stage', label: 'All work by stage' },
            { value: 'kind', label: 'All work by kind: labor, material, …' },
          ]}
        />
      </div>
      <div className="bill-field">
        Rows
        <Select
          aria-label="Rows"
          value={hasRows ? (shows.rows ?? 'section') : 'none'}
          onChange={(rows: 'section' | 'stage' | 'none') =>
            change(withOne(shows, 'rows', rows === 'section' ? '' : rows))
          }
          options={[
            { value: 'section', label: 'By section' },
            { value: 'stage', label: 'By stage' },
            {
              value: 'none',
              label: shows.summary === undefined ? 'None (needs a summary)' : 'None: the summary is enough',
              disabled: shows.summary === undefined,
            },
          ]}
        />
      </div>
      <div className="bill-field">
        Bundles
        <Select
          aria-label="Bundles"
          value={shows.bundles}
          disabled={!hasRows}
          onChange={(bundles: InvoiceShows['bundles']) => change({ ...shows, bundles })}
          options={[
            { value: 'agreed', label: 'As they were offered' },
            { value: 'one', label: 'Each as one line' },
            { value: 'parts', label: 'By their parts' },
          ]}
        />
      </div>
      <div className="bill-field">
        Work not billed this time
        <Select
          aria-label="Work not billed this time"
          value={shows.unbilled}
          disabled={!hasRows}
          onChange={(unbilled: InvoiceShows['unbilled']) => change({ ...shows, unbilled })}
          options={[
            { value: 'hidden', label: 'Left out' },
            { value: 'zero', label: 'Shown with nothing' },
          ]}
        />
      </div>
      <div className="bill-field">
        Codes
        <Select
          aria-label="Codes"
          value={shows.codes ?? ''}
          disabled={!hasRows}
          onChange={(codes: NonNullable<InvoiceShows['codes']> | '') =>
            change(withOne(shows, 'codes', codes))
          }
          options={[
            { value: '', label: 'None' },
            { value: 'item', label: 'Item codes' },
            { value: 'cost', label: 'Cost codes' },
            { value: 'both', label: 'Item and cost codes' },
          ]}
        />
      </div>
      <Checkbox
        className="layout-balance"
        checked={shows.balance ?? false}
        disabled={!hasRows}
        onChange={({ target }) =>
          change(target.checked ? { ...shows, balance: true } : without(shows, 'balance'))
        }
      >
        Percent to date and balance of each row
      </Checkbox>
    </div>
  );
}

/** The layout of the invoice in work: of the whole paper and of single rows; kept under a name. */
export function LayoutDrawer({
  work,
  shows,
  change,
  actions,
  close,
}: {
  readonly work: ProgressBilling;
  readonly shows: InvoiceShows;
  readonly change: (shows: InvoiceShows) => void;
  readonly actions: LayoutActions;
  readonly close: () => void;
}) {
  const narrow = useNarrow(PHONE);
  return (
    <Drawer open title="Layout of the invoice" size={narrow ? '100%' : 660} onClose={close}>
      <WholePaper shows={shows} change={change} />
      {(shows.rows !== 'none' || shows.summary === undefined) && (
        <LayoutRows work={work} shows={shows} change={change} />
      )}
      <KeepLayout work={work} shows={shows} change={change} actions={actions} />
    </Drawer>
  );
}

'use client';

import { Alert, Button, Modal, Radio, Select } from 'antd';
import { useEffect, useState } from 'react';
import { severalFieldNames } from '@/core/importing';
import { showInstant } from '@/ui/instants';
import type { SeveralField, UsualTerms } from '@/model';
import type { SeveralLately, SeveralPreview } from '@/services/library/changeSeveral';
import { PlainTable } from '@/ui/tables/PlainTable';
import { SeveralFields } from './SeveralFields';
import type { SeveralActions } from './useSeveral';
import { many, useSeveral } from './useSeveral';

/** What the change makes of each entry. */
function Preview({ preview, field }: { readonly preview: SeveralPreview; readonly field: SeveralField }) {
  const { of, count, without, troubles, entries } = preview;
  return (
    <>
      <p>
        {count === 0 ? `Nothing changes for ${many(of)}.` : `${count} of ${many(of)} change.`}
        {without > 0 && ` ${without === 1 ? '1 bundle has' : `${without} bundles have`} no such field.`}
        {troubles > 0 && (
          <span className="wrong"> {troubles === 1 ? '1 cannot be so' : `${troubles} cannot be so`}.</span>
        )}
      </p>
      {count > 0 && (
        <PlainTable
          label="Before and after"
          rows={entries}
          rowKey={({ id }) => id}
          columns={[
            { key: 'code', title: 'Code', cell: ({ code }) => <span className="soft">{code}</span> },
            ...(field === 'name'
              ? []
              : [{ key: 'name', title: 'Name', cell: ({ name }: { name: string }) => name }]),
            { key: 'before', title: 'Now', cell: ({ before }) => before || '—' },
            {
              key: 'after',
              title: 'Then',
              cell: ({ after, trouble }) => (
                <>
                  {after || '—'}
                  {trouble && <div className="wrong">{trouble}</div>}
                </>
              ),
            },
          ]}
        />
      )}
      {entries.length < count && (
        <p className="soft">
          The first {entries.length} of {count}.
        </p>
      )}
    </>
  );
}

/** The changes of several made lately; each can be taken back once. */
function Lately({
  before,
  busy,
  takeBack,
  timeZone,
}: {
  readonly before: SeveralLately;
  readonly busy: boolean;
  readonly takeBack: (id: string) => unknown;
  readonly timeZone: string;
}) {
  if (before.length === 0) return null;
  return (
    <section className="several-lately">
      <h3>Lately</h3>
      <ul className="plain-list">
        {before.map(({ id, says, count, at, by, undone }) => (
          <li key={id}>
            <span>
              {says}{' '}
              <span className="soft">
                ({many(count)}, {showInstant(at, timeZone)}
                {by && `, ${by}`})
              </span>
            </span>
            {undone ? (
              <span className="soft">taken back</span>
            ) : (
              <Button
                size="small"
                disabled={busy}
                aria-label={`Take back ${says}`}
                onClick={() => void takeBack(id)}
              >
                Take back
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** One change of several entries of the library: which, what, each before and after, and one undo. */
export function SeveralDialog({
  picked,
  list,
  count,
  trades,
  usual,
  timeZone,
  actions,
  close,
}: {
  /** Ids of the selected entries; none: all of the list. */
  readonly picked: readonly string[];
  /** What the list of the library shows, as its address says it. */
  readonly list: Readonly<Record<string, string>>;
  readonly count: number;
  readonly trades: readonly string[];
  readonly usual: UsualTerms;
  readonly timeZone: string;
  readonly actions: SeveralActions;
  readonly close: () => void;
}) {
  const [whole, setWhole] = useState(picked.length === 0);
  const which = whole ? { list } : { ids: picked };
  const work = useSeveral(which, usual.taxClasses[0]!.id, actions);
  const { field, typed, preview, before, said, busy, refused, readLately } = work;
  // eslint-disable-next-line react-hooks/exhaustive-deps
  useEffect(readLately, []);
  return (
    <Modal
      open
      width={760}
      title="Change several"
      onCancel={close}
      footer={
        <>
          <Button onClick={close}>Close</Button>
          <Button loading={busy} onClick={() => void work.look()}>
            See before and after
          </Button>
          <Button
            type="primary"
            loading={busy}
            disabled={!preview || preview.count === 0 || preview.troubles > 0}
            onClick={() => void work.make()}
          >
            {preview && preview.count > 0 ? `Change ${many(preview.count)}` : 'Change'}
          </Button>
        </>
      }
    >
      {refused && <Alert type="error" title={refused} className="below" />}
      {said && <Alert type="success" title={said} className="below" />}
      {picked.length > 0 && (
        <Radio.Group
          aria-label="Which entries"
          value={whole}
          onChange={({ target }) => setWhole(target.value === true)}
          options={[
            { value: false, label: `The ${picked.length} selected` },
            { value: true, label: `All ${count} of this list` },
          ]}
        />
      )}
      {picked.length === 0 && <p>{count === 1 ? 'The one entry' : `All ${count} entries`} of this list.</p>}
      <div className="several-fields">
        <div className="several-field">
          Field
          <Select<SeveralField>
            aria-label="Field"
            value={field}
            options={(Object.keys(severalFieldNames) as SeveralField[]).map((value) => ({
              value,
              label: severalFieldNames[value],
            }))}
            listHeight={440}
            onChange={work.setField}
          />
        </div>
        <SeveralFields
          field={field}
          typed={typed}
          type={work.type}
          trades={trades}
          usual={usual}
          look={() => void work.look()}
        />
      </div>
      {preview && <Preview preview={preview} field={field} />}
      {before && <Lately before={before} busy={busy} takeBack={work.takeBack} timeZone={timeZone} />}
    </Modal>
  );
}

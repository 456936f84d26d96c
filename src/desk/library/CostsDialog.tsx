'use client';

import { Alert, App, Button, Modal, Select, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { CostsPreview } from '@/services/library/bulk';
import { raisableTypes } from '@/core/importing';
import { writeFixed } from '@/core/number';
import { parseQuantity } from '@/core/quantity';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';
import { PlainTable } from '@/ui/tables/PlainTable';

export interface CostsActions {
  readonly preview: (input: unknown) => Promise<Answer<CostsPreview>>;
  readonly change: (input: unknown) => Promise<Answer<{ count: number }>>;
}

/** A percentage on the costs of a trade or a tag: each item before and after, then all of them at once. */
export function CostsDialog({
  trades,
  actions,
}: {
  readonly trades: readonly string[];
  readonly actions: CostsActions;
}) {
  const router = useRouter();
  const { message } = App.useApp();
  const [open, setOpen] = useState(false);
  const [trade, setTrade] = useState('');
  const [tag, setTag] = useState('');
  const [types, setTypes] = useState<string[]>(['material']);
  const [percent, setPercent] = useState('');
  const [preview, setPreview] = useState<CostsPreview | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const input = () => ({
    trade,
    tag: tag.trim().toLowerCase(),
    costTypes: types,
    percent: writeFixed(parseQuantity(percent.replace(/%/g, ''), 4)),
  });
  const ask = async (act: 'preview' | 'change') => {
    setTrouble(null);
    let wanted;
    try {
      wanted = input();
    } catch {
      setTrouble('Type a percentage, such as 4.5 or -3.');
      return;
    }
    setBusy(true);
    if (act === 'preview') {
      const answer = await asked(actions.preview(wanted));
      if (answer.ok) setPreview(answer.value);
      else setTrouble(answer.problem.detail);
    } else {
      const answer = await asked(actions.change(wanted));
      if (answer.ok) {
        message.success(`${answer.value.count} items changed. What they cost before is kept with each.`);
        setOpen(false);
        setPreview(null);
        router.refresh();
      } else setTrouble(answer.problem.detail);
    }
    setBusy(false);
  };
  const typed =
    <T,>(set: (value: T) => void) =>
    (value: T) => {
      setPreview(null);
      set(value);
    };
  return (
    <>
      <Button onClick={() => setOpen(true)}>Change costs</Button>
      <Modal
        open={open}
        width={680}
        title="A percentage on costs"
        onCancel={() => setOpen(false)}
        footer={
          <>
            <Button loading={busy} onClick={() => void ask('preview')}>
              See before and after
            </Button>
            <Button
              type="primary"
              disabled={!preview || preview.count === 0}
              loading={busy}
              onClick={() => void ask('change')}
            >
              {preview ? `Change ${preview.count} items` : 'Change'}
            </Button>
          </>
        }
      >
        {trouble && <Alert type="error" title={trouble} className="below" />}
        <div className="library-bar">
          <Select
            aria-label="Trade of the items"
            className="wide-choice"
            value={trade}
            options={[
              { value: '', label: 'Every trade' },
              ...trades.map((each) => ({ value: each, label: each })),
            ]}
            onChange={typed(setTrade)}
          />
          <Input
            size="small"
            className="bar-field"
            aria-label="Tag of the items"
            placeholder="tag, or all"
            value={tag}
            onChange={({ target }) => typed(setTag)(target.value)}
          />
          <Select
            mode="multiple"
            aria-label="Cost types"
            className="wide-name"
            value={types}
            options={raisableTypes.map((type) => ({ value: type, label: type }))}
            onChange={typed(setTypes)}
          />
          <label>
            by{' '}
            <Input
              size="small"
              className="bar-field percent-field"
              aria-label="Percent"
              inputMode="decimal"
              placeholder="4.5"
              value={percent}
              onChange={({ target }) => typed(setPercent)(target.value)}
            />{' '}
            %
          </label>
        </div>
        {preview && preview.count === 0 && <p className="empty">No cost would move.</p>}
        {preview && preview.count > 0 && (
          <PlainTable
            label="Costs before and after"
            rows={preview.items}
            rowKey={({ id }) => id}
            columns={[
              { key: 'code', title: 'Code', cell: ({ code }) => <span className="soft">{code}</span> },
              { key: 'name', title: 'Item', cell: ({ name }) => name },
              { key: 'before', title: 'Unit cost now', figure: true, cell: ({ before }) => before },
              { key: 'after', title: 'Then', figure: true, cell: ({ after }) => after },
            ]}
          />
        )}
        {preview && preview.items.length < preview.count && (
          <p className="soft">
            The first {preview.items.length} of {preview.count}.
          </p>
        )}
      </Modal>
    </>
  );
}

'use client';

import { Alert, Button, Input, Modal, Select } from 'antd';
import { useRef, useState } from 'react';
import type { CostsPreview } from '@/services/library/bulk';
import { raisableTypes } from '@/core/importing';
import { writeFixed } from '@/core/number';
import { parseQuantity } from '@/core/quantity';
import { costTypeName } from '@/core/text/names';
import type { Answer } from '@/model';
import { useSubmit } from '@/ui/useSubmit';
import { CostsPreviewTable } from './CostsPreviewTable';

export interface CostsActions {
  readonly preview: (input: unknown) => Promise<Answer<CostsPreview>>;
  readonly change: (input: unknown) => Promise<Answer<{ count: number }>>;
}

/** What is typed: whose costs move, and by how much. */
interface Typed {
  readonly trade: string;
  readonly tag: string;
  readonly types: string[];
  readonly percent: string;
}

/** @throws NotADecimal where the percentage is none */
const asInput = ({ trade, tag, types, percent }: Typed) => ({
  trade,
  tag: tag.trim().toLowerCase(),
  costTypes: types,
  percent: writeFixed(parseQuantity(percent.replace(/%/g, ''), 4)),
});

/** A percentage on the costs of a trade or a tag: each item before and after, then all of them at once. */
export function CostsDialog({
  trades,
  actions,
}: {
  readonly trades: readonly string[];
  readonly actions: CostsActions;
}) {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState<Typed>({ trade: '', tag: '', types: ['material'], percent: '' });
  const [preview, setPreview] = useState<CostsPreview | null>(null);
  const { busy, refused, setRefused, submit } = useSubmit();
  /** What is typed last: a preview of what was typed before is none. */
  const latest = useRef(typed);
  const type = (patch: Partial<Typed>) => {
    latest.current = { ...latest.current, ...patch };
    setTyped(latest.current);
    setPreview(null);
  };
  const read = () => {
    try {
      return asInput(typed);
    } catch {
      setRefused('Type a percentage, such as 4.5 or -3.');
      return null;
    }
  };
  const look = async () => {
    const wanted = read();
    if (wanted)
      await submit(() => actions.preview(wanted), {
        then: (value) => latest.current === typed && setPreview(value),
        rereads: false,
      });
  };
  const change = async () => {
    const wanted = read();
    if (wanted)
      await submit(() => actions.change(wanted), {
        said: ({ count }) => `${count} items changed. What they cost before is kept with each.`,
        then: () => {
          setOpen(false);
          setPreview(null);
        },
      });
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
            <Button loading={busy} onClick={() => void look()}>
              See before and after
            </Button>
            <Button
              type="primary"
              disabled={!preview || preview.count === 0}
              loading={busy}
              onClick={() => void change()}
            >
              {preview ? `Change ${preview.count} items` : 'Change'}
            </Button>
          </>
        }
      >
        {refused && <Alert type="error" title={refused} className="below" />}
        <div className="library-bar">
          <Select
            aria-label="Trade of the items"
            className="wide-choice"
            value={typed.trade}
            options={[
              { value: '', label: 'Every trade' },
              ...trades.map((each) => ({ value: each, label: each })),
            ]}
            onChange={(trade: string) => type({ trade })}
          />
          <Input
            size="small"
            className="bar-field"
            aria-label="Tag of the items"
            placeholder="tag, or all"
            value={typed.tag}
            onChange={({ target }) => type({ tag: target.value })}
          />
          <Select
            mode="multiple"
            aria-label="Cost types"
            className="wide-name"
            value={typed.types}
            options={raisableTypes.map((value) => ({ value, label: costTypeName(value) }))}
            onChange={(types: string[]) => type({ types })}
          />
          <label>
            by{' '}
            <Input
              size="small"
              className="bar-field percent-field"
              aria-label="Percent"
              inputMode="decimal"
              placeholder="4.5"
              value={typed.percent}
              onChange={({ target }) => type({ percent: target.value })}
            />{' '}
            %
          </label>
        </div>
        {preview && <CostsPreviewTable preview={preview} />}
      </Modal>
    </>
  );
}

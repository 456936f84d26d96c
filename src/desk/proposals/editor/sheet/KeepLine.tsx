'use client';

import { Alert, Button, Input } from 'antd';
import { useState } from 'react';
import { becomeItem, lineAsItem } from '@/core/editing';
import { showUnitAmount } from '@/core/number';
import { itemUnitCost } from '@/core/price';
import { costTypeName } from '@/core/text/names';
import type { Line } from '@/model';
import { unitName } from '@/model';
import { useSubmit } from '@/ui/useSubmit';
import { useEditor } from '../context';

/** Keeps a line of one’s own in the library as an item, and says what that makes. */
export function KeepLine({ line }: { readonly line: Line }) {
  const { work, libraryActions, readOnly } = useEditor();
  const [code, setCode] = useState('');
  const [trade, setTrade] = useState(line.trade ?? '');
  const [open, setOpen] = useState(false);
  const { busy, refused, submit } = useSubmit();
  if (readOnly || line.itemId !== undefined || line.allowance || line.omits || line.settles) return null;
  if (!open)
    return (
      <Button size="small" onClick={() => setOpen(true)}>
        Save to the library …
      </Button>
    );
  const { item, left } = lineAsItem(line, work.document);
  const types = [...new Set(item.costs.map(({ type }) => costTypeName(type)))].join(', ');
  const keep = () =>
    submit(() => libraryActions.addItem({ ...item, code: code.trim(), trade: trade.trim() }), {
      then: (kept) => work.edit((draft) => becomeItem(draft, line, kept)),
      said: `“${item.name}” is in the library as ${code.trim()}.`,
      rereads: false,
    });
  return (
    <div className="keep-line">
      <p>
        Makes an item: “{item.name}”, {unitName(item.unit)}, costs {showUnitAmount(itemUnitCost(item.costs))}
        {types && ` (${types})`}
        {item.loads && ', with its own markup'}. This line is taken from it then.
      </p>
      {left.length > 0 && <p className="soft">Stays with this job: {left.join(' ')}</p>}
      {refused && <Alert type="error" title={refused} />}
      <div className="library-new">
        <Input
          aria-label="Code in the library"
          placeholder="Code"
          maxLength={40}
          autoFocus
          value={code}
          onChange={({ target }) => setCode(target.value)}
        />
        <Input
          aria-label="Trade"
          placeholder="Trade"
          maxLength={60}
          value={trade}
          onChange={({ target }) => setTrade(target.value)}
        />
        <Button
          type="primary"
          loading={busy}
          disabled={code.trim() === '' || trade.trim() === ''}
          onClick={() => void keep()}
        >
          Add to the library
        </Button>
        <Button onClick={() => setOpen(false)}>Cancel</Button>
      </div>
    </div>
  );
}

'use client';

import { Button, Input } from 'antd';
import { useState } from 'react';
import type { listAreas } from '@/services/library/areas';
import type { Answer } from '@/model';
import { useSubmit } from '@/ui/useSubmit';
import { useKeptForm } from '@/ui/kept/useKeptForm';

type Areas = Awaited<ReturnType<typeof listAreas>>;

const asText = (areas: Areas) =>
  areas
    .map(({ prefix, name, material, labour, equipment }) =>
      [prefix, name, material, labour, equipment].join('; '),
    )
    .join('\n');

/** What work costs by where it is done; loaded as a table. */
export function AreaTable({
  areas,
  isOwner,
  save,
}: {
  readonly areas: Areas;
  readonly isOwner: boolean;
  readonly save: (text: string) => Promise<Answer<{ count: number }>>;
}) {
  const { busy, submit } = useSubmit({ tells: true });
  const [text, setText] = useState(() => asText(areas));
  const { done, notice } = useKeptForm(isOwner ? 'area factors' : null, text, asText(areas), setText);
  const keep = () =>
    submit(() => save(text), {
      said: ({ count }) => `${count} area factors are in use for new proposals.`,
      then: () => done(),
    });
  return (
    <>
      <h2>Area factors</h2>
      <div className="panel">
        {notice}
        <label>
          By the beginning of the ZIP or postal code: prefix; name; factor on material; on labor; on
          equipment. A line each; the longest prefix that fits counts, for proposals begun from now on.
          <Input.TextArea
            style={{ marginTop: 6, fontVariantNumeric: 'tabular-nums' }}
            // A height that is known before any script runs: nothing below it moves while the page wakes up.
            rows={Math.min(12, Math.max(3, text.split('\n').length))}
            readOnly={!isOwner}
            spellCheck={false}
            value={text}
            onChange={({ target }) => setText(target.value)}
          />
        </label>
        {isOwner && (
          <Button className="above-less" loading={busy} onClick={() => void keep()}>
            Load the table
          </Button>
        )}
      </div>
    </>
  );
}

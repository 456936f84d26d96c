'use client';

import { Alert, Button, Checkbox, Input, InputNumber } from 'antd';
import { useState } from 'react';
import type { Numbers } from '@/services/settings/numbers';
import type { Answer, NumberPattern, NumberedKind, NumbersInput } from '@/model';
import { MOST_NUMBERED, numberedKinds, printedNumber } from '@/model/numbers';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useSubmit } from '@/ui/useSubmit';

const names: Readonly<Record<NumberedKind, string>> = {
  proposal: 'Proposals and change orders',
  agreement: 'Agreements',
  invoice: 'Invoices',
  creditNote: 'Credit notes',
};

const inputOf = ({ patterns, next }: Numbers): NumbersInput => ({ patterns, next });

/** How papers are numbered, and with which number each series goes on: from where a company was before. */
export function NumbersPanel({
  numbers,
  save,
}: {
  readonly numbers: Numbers;
  readonly save: (input: unknown) => Promise<Answer<Numbers>>;
}) {
  const [stored, setStored] = useState(numbers);
  const [typed, setTyped] = useState<NumbersInput>(inputOf(numbers));
  const { done, notice } = useKeptForm<NumbersInput>('numbers', typed, inputOf(stored), setTyped);
  const { busy, refused, submit } = useSubmit();
  const put = (kind: 'invoice' | 'creditNote', change: Partial<NumberPattern>) =>
    setTyped((before) => {
      const pattern = { ...before.patterns[kind], ...change };
      const least = stored.least[pattern.yearly ? 'yearly' : 'going'][kind];
      const moved = change.yearly !== undefined;
      return {
        patterns: { ...before.patterns, [kind]: pattern },
        // Another series goes on from where it stands.
        next: moved ? { ...before.next, [kind]: least } : before.next,
      };
    });
  const store = () => {
    const asked = typed;
    return submit(() => save({ ...asked, over: stored.next }), {
      said: 'Saved. Papers are numbered so from now on.',
      then: (now) => {
        setStored(now);
        // What was typed since the press stays.
        setTyped((since) => (since === asked ? inputOf(now) : since));
        done();
      },
    });
  };
  const patternOf = (kind: NumberedKind) =>
    kind === 'invoice' || kind === 'creditNote' ? { kind, pattern: typed.patterns[kind] } : null;
  const shown = (kind: NumberedKind) => {
    const own = patternOf(kind);
    return own ? printedNumber(own.pattern, stored.year, typed.next[kind]) : String(typed.next[kind]);
  };
  return (
    <div className="panel">
      {notice}
      <PlainTable
        label="Numbers"
        rows={numberedKinds.map((kind) => ({ kind }))}
        rowKey={({ kind }) => kind}
        columns={[
          { key: 'kind', title: 'Paper', className: 'anywhere', cell: ({ kind }) => names[kind] },
          {
            key: 'prefix',
            title: 'Prefix',
            cell: ({ kind }) => {
              const own = patternOf(kind);
              return own ? (
                <Input
                  aria-label={`Prefix of ${names[kind].toLowerCase()}`}
                  value={own.pattern.prefix}
                  maxLength={12}
                  className="numbers-prefix"
                  onChange={({ target }) => put(own.kind, { prefix: target.value })}
                />
              ) : (
                <span className="soft">none</span>
              );
            },
          },
          {
            key: 'year',
            title: 'Year',
            cell: ({ kind }) => {
              const own = patternOf(kind);
              return own ? (
                <Checkbox
                  checked={own.pattern.yearly}
                  onChange={({ target }) => put(own.kind, { yearly: target.checked })}
                >
                  begins anew
                </Checkbox>
              ) : (
                <span className="soft">goes on</span>
              );
            },
          },
          {
            key: 'digits',
            title: 'Digits',
            cell: ({ kind }) => {
              const own = patternOf(kind);
              return own ? (
                <InputNumber
                  aria-label={`Digits of ${names[kind].toLowerCase()}`}
                  min={1}
                  max={8}
                  precision={0}
                  value={own.pattern.digits}
                  onChange={(digits) => digits !== null && put(own.kind, { digits })}
                />
              ) : null;
            },
          },
          {
            key: 'next',
            title: 'Goes on with',
            cell: ({ kind }) => (
              <InputNumber
                aria-label={`Next number of ${names[kind].toLowerCase()}`}
                min={1}
                max={MOST_NUMBERED}
                precision={0}
                value={typed.next[kind]}
                onChange={(next) =>
                  next !== null &&
                  setTyped((before) => ({ ...before, next: { ...before.next, [kind]: next } }))
                }
              />
            ),
          },
          {
            key: 'shown',
            title: 'The next is',
            cell: ({ kind }) => <strong data-testid={`next-${kind}`}>{shown(kind)}</strong>,
          },
        ]}
      />
      <p className="soft">
        No number is ever used twice: a series goes on from here, forward only. Papers that are out keep
        theirs.
      </p>
      {refused && <Alert type="error" title={refused} className="below" />}
      <Button type="primary" loading={busy} onClick={() => void store()}>
        Save
      </Button>
    </div>
  );
}

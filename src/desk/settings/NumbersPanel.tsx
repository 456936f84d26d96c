'use client';

import { Alert, Button, Checkbox, Input } from 'antd';
import { useState } from 'react';
import type { Numbers } from '@/services/settings/numbers';
import type { Answer, NumberPattern, NumberedKind, NumbersInput } from '@/model';
import { MOST_NUMBERED, numberedKinds, printedNumber } from '@/model/numberPatterns';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useSubmit } from '@/ui/useSubmit';

const names: Readonly<Record<NumberedKind, string>> = {
  proposal: 'Proposals',
  agreement: 'Agreements',
  invoice: 'Invoices',
  creditNote: 'Credit notes',
};

const inputOf = ({ patterns, next }: Numbers): NumbersInput => ({ patterns, next });

/** A whole number from one on; what is no number is taken back when the field is left. */
function WholeNumber({
  label,
  value,
  most,
  change,
}: {
  readonly label: string;
  readonly value: number;
  readonly most: number;
  readonly change: (value: number) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  return (
    <Input
      aria-label={label}
      inputMode="numeric"
      className={most > 8 ? 'numbers-next' : 'numbers-digits'}
      value={text ?? String(value)}
      onChange={({ target }) => {
        setText(target.value);
        const typed = Number(target.value);
        if (Number.isInteger(typed) && typed >= 1 && typed <= most) change(typed);
      }}
      onBlur={() => setText(null)}
    />
  );
}

/** What each paper is numbered by, to be changed, and how the next comes out. */
function NumbersTable({
  typed,
  year,
  put,
  setNext,
}: {
  readonly typed: NumbersInput;
  readonly year: number;
  readonly put: (kind: 'invoice' | 'creditNote', change: Partial<NumberPattern>) => void;
  readonly setNext: (kind: NumberedKind, next: number) => void;
}) {
  const patternOf = (kind: NumberedKind) =>
    kind === 'invoice' || kind === 'creditNote' ? { kind, pattern: typed.patterns[kind] } : null;
  const shown = (kind: NumberedKind) => {
    const own = patternOf(kind);
    return own ? printedNumber(own.pattern, year, typed.next[kind]) : String(typed.next[kind]);
  };
  return (
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
              <WholeNumber
                label={`Digits of ${names[kind].toLowerCase()}`}
                value={own.pattern.digits}
                most={8}
                change={(digits) => put(own.kind, { digits })}
              />
            ) : null;
          },
        },
        {
          key: 'next',
          title: 'Goes on with',
          cell: ({ kind }) => (
            <WholeNumber
              label={`Next number of ${names[kind].toLowerCase()}`}
              value={typed.next[kind]}
              most={MOST_NUMBERED}
              change={(next) => setNext(kind, next)}
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
  );
}

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
    return submit(() => save({ ...asked, over: inputOf(stored) }), {
      said: 'Saved. Papers are numbered so from now on.',
      then: (now) => {
        setStored(now);
        // What was typed since the press stays.
        setTyped((since) => (since === asked ? inputOf(now) : since));
        done();
      },
    });
  };
  return (
    <div className="panel">
      {notice}
      <NumbersTable
        typed={typed}
        year={stored.year}
        put={put}
        setNext={(kind, next) =>
          setTyped((before) => ({ ...before, next: { ...before.next, [kind]: next } }))
        }
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

'use client';

import { Input, Modal } from 'antd';
import { useMemo, useState } from 'react';
import type { AgreedForChange } from '@/core/agreements';
import { leftIn, moreOf, omissionLine } from '@/core/agreements';
import { linesOf } from '@/core/choice';
import { addLines } from '@/core/editing';
import type { Fixed } from '@/core/number';
import { parseFixed, showDecimal, showQuantity, writeFixed } from '@/core/number';
import { parseQuantity } from '@/core/quantity';
import type { Line } from '@/model';
import { unitAfter } from '@/model';
import { newPartId, useEditor } from '../context';
import './change.css';
import { PlainTable } from '@/ui/tables/PlainTable';

/** What typing a new quantity makes: less is left out, more is added at the price it was agreed at. */
function lineFor(agreed: AgreedForChange, typed: string): Line | null {
  if (typed.trim() === '') return null;
  const wanted = parseQuantity(typed);
  const difference = (wanted - leftIn(agreed)) as Fixed;
  if (wanted < 0n) throw new RangeError('A quantity is not below zero.');
  if (difference === 0n) return null;
  return difference < 0n
    ? omissionLine(agreed, -difference as Fixed, newPartId())
    : moreOf(agreed, difference, newPartId());
}

/** The lines of the agreement: a new quantity for each that changes, and the change order has its lines. */
export function AgreedDialog({ agreed, close }: { agreed: readonly AgreedForChange[]; close: () => void }) {
  const { work, target } = useEditor();
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const [words, setWords] = useState('');
  // What this change order leaves out already counts as out.
  const now = useMemo(() => {
    const out = new Map<string, bigint>();
    for (const section of work.document.sections)
      for (const { omits } of linesOf(section))
        if (omits) out.set(omits.line, (out.get(omits.line) ?? 0n) + parseFixed(omits.quantity));
    return agreed.map((line) => ({
      ...line,
      omitted: writeFixed((parseFixed(line.omitted) + (out.get(line.id) ?? 0n)) as Fixed),
    }));
  }, [agreed, work.document]);
  const made = now.map((line) => {
    try {
      return { line: lineFor(line, typed[line.id] ?? ''), wrong: null };
    } catch (error) {
      return { line: null, wrong: (error as Error).message };
    }
  });
  const lines = made.flatMap(({ line }) => line ?? []);
  const shown = now
    .map((line, i) => ({ line, i }))
    .filter(({ line }) =>
      words
        .toLowerCase()
        .split(/\s+/)
        .every((word) => `${line.section} ${line.description}`.toLowerCase().includes(word)),
    );
  const put = () => {
    work.edit((draft) =>
      addLines(
        draft,
        target.kind === 'section' && draft.sections.some(({ id }) => id === target.sectionId)
          ? target.sectionId
          : draft.sections.at(-1)!.id,
        lines,
      ),
    );
    close();
  };
  return (
    <Modal
      open
      width={820}
      title="From the agreement"
      okText={lines.length === 1 ? 'Put 1 line in' : `Put ${lines.length} lines in`}
      cancelText="Cancel"
      okButtonProps={{ disabled: lines.length === 0 || made.some(({ wrong }) => wrong !== null) }}
      onOk={put}
      onCancel={close}
    >
      <p className="soft">
        Type the new quantity. Less is left out at what was agreed for it; more is added at the same price; 0
        leaves the line out.
      </p>
      <Input
        allowClear
        aria-label="Find a line of the agreement"
        placeholder="find a line"
        value={words}
        autoFocus
        onChange={({ target: { value } }) => setWords(value)}
      />
      <div className="agreed-lines" role="region" aria-label="Lines of the agreement" tabIndex={0}>
        <PlainTable
          label="Lines of the agreement"
          rows={shown}
          rowKey={({ line }) => line.id}
          columns={[
            {
              key: 'work',
              title: 'Work',
              cell: ({ line }) => (
                <>
                  {line.description} <span className="soft">{line.section}</span>
                </>
              ),
            },
            { key: 'agreed', title: 'Agreed', figure: true, cell: ({ line }) => showDecimal(line.amount) },
            {
              key: 'left',
              title: 'Still in',
              figure: true,
              cell: ({ line }) =>
                `${showQuantity(leftIn(line))} ${unitAfter(writeFixed(leftIn(line)), line.unit)}`,
            },
            {
              key: 'new',
              title: 'New quantity',
              cell: ({ line, i }) => (
                <>
                  <Input
                    size="small"
                    className="new-quantity"
                    inputMode="decimal"
                    aria-label={`New quantity of ${line.description}`}
                    aria-invalid={made[i]!.wrong !== null}
                    {...(made[i]!.wrong ? { status: 'error' as const } : {})}
                    value={typed[line.id] ?? ''}
                    onChange={({ target: { value } }) =>
                      setTyped((before) => ({ ...before, [line.id]: value }))
                    }
                  />
                  {made[i]!.wrong && <span className="wrong"> {made[i]!.wrong}</span>}
                </>
              ),
            },
          ]}
        />
      </div>
    </Modal>
  );
}

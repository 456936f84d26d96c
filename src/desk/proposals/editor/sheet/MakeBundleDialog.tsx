'use client';

import { Alert, AutoComplete, Button, Checkbox, Input, Modal, Select } from 'antd';
import { useMemo } from 'react';
import type { AskedInput, GatheredLines } from '@/core/editing';
import { gatherLines } from '@/core/editing';
import { parseFixed, showAmount, showDifference, showQuantity } from '@/core/number';
import { unitAfter } from '@/model';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useEditor, useEditorActions } from '../context';
import { MOST_PARTS, useMakeBundle } from './useMakeBundle';

type Making = ReturnType<typeof useMakeBundle>;

const kinds: readonly { readonly value: AskedInput['kind']; readonly label: string }[] = [
  { value: 'length', label: 'a length, ft' },
  { value: 'area', label: 'an area, sq ft' },
  { value: 'count', label: 'a count' },
  { value: 'number', label: 'a number' },
];

/** What the bundle asks for beside the dimensions of the place. */
function Asked({ asked, setAsked, inputs }: Pick<Making, 'asked' | 'setAsked' | 'inputs'>) {
  const change = (at: number, patch: Partial<AskedInput>) =>
    setAsked(asked.map((each, i) => (i === at ? { ...each, ...patch } : each)));
  return (
    <div className="make-asked">
      {asked.map((each, i) => {
        const known = asked.slice(0, i + 1).filter(({ label }) => label.trim() !== '').length;
        const name = each.label.trim() === '' ? null : inputs[known - 1]?.name;
        return (
          <div key={i} className="make-ask">
            <Input
              aria-label={`Asks for, ${i + 1}`}
              placeholder="Length of the rail"
              maxLength={200}
              autoFocus
              value={each.label}
              onChange={({ target }) => change(i, { label: target.value })}
            />
            <Select
              aria-label={`Kind, ${i + 1}`}
              value={each.kind}
              options={[...kinds]}
              onChange={(kind) => change(i, { kind })}
            />
            <Input
              aria-label={`Here, ${i + 1}`}
              placeholder="here: 38+24"
              maxLength={200}
              value={each.value}
              onChange={({ target }) => change(i, { value: target.value })}
            />
            <span className="soft">{name && <code>{name}</code>}</span>
            <Button
              size="small"
              type="text"
              aria-label={`Ask for ${each.label || 'it'} no more`}
              onClick={() => setAsked(asked.filter((_, at) => at !== i))}
            >
              ×
            </Button>
          </div>
        );
      })}
      <Button
        size="small"
        disabled={asked.length >= 20}
        onClick={() => setAsked([...asked, { label: '', kind: 'length', value: '' }])}
      >
        Ask for a size of its own
      </Button>
    </div>
  );
}

/** The quantities of the parts: as they stand, and by what they go from now on. */
function Parts({ parts, typedFor, setQuantity, sized }: Making) {
  const comes = new Map(sized?.lines.map((line) => [line.id, line.quantity]));
  const troubles = new Map(sized?.troubles.map(({ place, message }) => [place, message]));
  const rows = parts.map((part) => ({
    ...part,
    key: part.line.id,
    then: comes.get(part.line.id),
    trouble: troubles.get(part.line.description),
  }));
  type Row = (typeof rows)[number];
  return (
    <PlainTable<Row>
      label="Parts"
      rows={rows}
      rowKey={({ key }) => key}
      columns={[
        { key: 'part', title: 'Part', cell: ({ line }) => line.description },
        {
          key: 'now',
          title: 'Now',
          figure: true,
          cell: ({ line, quantity }) =>
            `${showQuantity(parseFixed(quantity))} ${unitAfter(quantity, line.unit)}`,
        },
        {
          key: 'by',
          title: 'Goes by',
          cell: ({ line, quantity, offered }) => (
            <AutoComplete
              className="make-formula"
              aria-label={`${line.description} goes by`}
              value={typedFor(line.id)}
              options={[...offered, line.quantityTyped ?? quantity].map((value) => ({ value }))}
              popupMatchSelectWidth={false}
              onChange={(text: string) => setQuantity(line.id, text.slice(0, 500))}
            />
          ),
        },
        {
          key: 'then',
          title: 'Comes to',
          figure: true,
          cell: ({ then, trouble }) =>
            trouble === undefined ? (
              then === undefined ? (
                '—'
              ) : (
                showQuantity(parseFixed(then))
              )
            ) : (
              <span className="wrong" title={trouble}>
                check
              </span>
            ),
        },
      ]}
    />
  );
}

/** Whether the library gets it, too, and what that makes there. */
function ForLibrary({ keep, setKeep, code, setCode, trade, setTrade, library }: Making) {
  return (
    <div className="make-library">
      <Checkbox checked={keep} onChange={({ target }) => setKeep(target.checked)}>
        Keep it in the library, too
      </Checkbox>
      {keep && (
        <>
          <div className="library-new">
            <Input
              aria-label="Code in the library"
              placeholder="Code"
              maxLength={34}
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
          </div>
          {library && (
            <p>
              Makes a bundle of {library.input.bundle.recipe.parts.length} parts
              {library.items.length > 0 &&
                `, and ${library.items.length === 1 ? 'an item' : `${library.items.length} items`} the library has not yet: ${library.items
                  .map((item) => `${code.trim() === '' ? '' : `${item.code} `}“${item.line.description}”`)
                  .join(', ')}`}
              .
            </p>
          )}
          {library && library.left.length > 0 && (
            <p className="soft">Stays with this job: {library.left.join(' ')}</p>
          )}
        </>
      )}
    </div>
  );
}

function MakeBundle({
  gathered,
  ids,
  close,
  done,
}: {
  readonly gathered: GatheredLines;
  readonly ids: ReadonlySet<string>;
  readonly close: () => void;
  readonly done: (key: string) => void;
}) {
  const { minorDigits } = useEditorActions();
  const making = useMakeBundle(gathered, ids, done);
  const { name, setName, bundle, before, after, keep, code, trade, busy, wrong, cannot, make } = making;
  const fromSpace = bundle?.recipe.inputs.filter(({ fromSpace: from }) => from !== undefined) ?? [];
  const ready = name.trim() !== '' && (!keep || (code.trim() !== '' && trade.trim() !== ''));
  return (
    <Modal
      open
      width={860}
      title={`A bundle of ${gathered.lines.length} ${gathered.lines.length === 1 ? 'line' : 'lines'}`}
      okText="Make the bundle"
      okButtonProps={{ disabled: !ready || cannot !== null, loading: busy }}
      onOk={() => void make()}
      onCancel={close}
      maskClosable={false}
    >
      {wrong && <Alert type="error" title={wrong} className="below" />}
      <Input
        aria-label="Name of the bundle"
        placeholder="What it is called: Guard railing"
        maxLength={200}
        autoFocus
        value={name}
        onChange={({ target }) => setName(target.value)}
        onPressEnter={() => {
          if (ready && cannot === null && !busy) void make();
        }}
      />
      <p className="soft">
        What a part goes by is a formula that comes to what stands now: pick another, or type one. In another
        room the quantities follow.
        {fromSpace.length > 0 &&
          ` It takes ${fromSpace.map(({ label }) => label.toLowerCase()).join(', ')} from the dimensions.`}
      </p>
      <Asked {...making} />
      <Parts {...making} />
      {[...gathered.stays, ...gathered.loses].map((sentence) => (
        <p key={sentence} className="soft">
          {sentence}
        </p>
      ))}
      <p aria-live="polite">
        {cannot !== null ? (
          <span className="wrong">{cannot}</span>
        ) : (
          after !== null &&
          `Price now ${showAmount(before, minorDigits)}, as a bundle ${showAmount(after, minorDigits)}${
            after === before
              ? ': the same.'
              : ` (${showDifference((after - before) as typeof after, minorDigits)}).`
          }`
        )}
      </p>
      <ForLibrary {...making} />
    </Modal>
  );
}

/** Makes a bundle of the selected lines, or says why there is none to make. */
export function MakeBundleDialog({
  ids,
  close,
  done,
}: {
  readonly ids: ReadonlySet<string>;
  readonly close: () => void;
  /** Told where the bundle is. */
  readonly done: (key: string) => void;
}) {
  const { document } = useEditor().work;
  const gathered = useMemo(() => gatherLines(document, ids), [document, ids]);
  if (gathered && gathered.lines.length <= MOST_PARTS)
    return <MakeBundle gathered={gathered} ids={ids} close={close} done={done} />;
  return (
    <Modal open title="A bundle of lines" onCancel={close} footer={null}>
      <p>
        {gathered
          ? `A bundle has at most ${MOST_PARTS} parts; ${gathered.lines.length} are selected.`
          : 'A bundle is made of lines. What is selected are bundles, questions, extras or allowances: they stay by themselves.'}
      </p>
    </Modal>
  );
}

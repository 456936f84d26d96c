'use client';

import { StarFilled, StarOutlined } from '@ant-design/icons';
import { App, Button } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import { parseFixed, showUnitAmount } from '@/core/number';
import { costTypeName } from '@/core/text/names';
import { writeListState } from '@/core/lists';
import type { Answer, UsualTerms } from '@/model';
import { unitName } from '@/model';
import type { LibraryListRow } from '@/services/library/libraryList';
import { asked } from '@/ui/asked';
import type { ListProps } from '@/ui/list/ListTable';
import { ListTable } from '@/ui/list/ListTable';
import { useSubmit } from '@/ui/useSubmit';
import { SeveralDialog } from './several/SeveralDialog';
import type { SeveralActions } from './several/useSeveral';

/** A unit cost with as many places as it has; the room of those it lacks is kept, so that decimal points align. */
function UnitAmount({ value }: { readonly value: string }) {
  const shown = showUnitAmount(parseFixed(value));
  const places = shown.split('.')[1]?.length ?? 0;
  return (
    <>
      {shown}
      <span aria-hidden="true" className="unseen">
        {'0'.repeat(Math.max(0, 3 - places))}
      </span>
    </>
  );
}

export interface LibraryActs {
  readonly setStar: (id: string, starred: boolean) => Promise<Answer<void>>;
  readonly starMany: (input: { ids: readonly string[]; starred: boolean }) => Promise<Answer<void>>;
  readonly retireMany: (input: {
    ids: readonly string[];
    retired: boolean;
  }) => Promise<Answer<{ count: number }>>;
}

function Star({ row, setStar }: { readonly row: LibraryListRow; readonly setStar: LibraryActs['setStar'] }) {
  const { message } = App.useApp();
  const [is, setIs] = useState(row.starred);
  const [was, setWas] = useState(row.starred);
  if (was !== row.starred) {
    setWas(row.starred);
    setIs(row.starred);
  }
  return (
    <Button
      type="text"
      size="small"
      aria-pressed={is}
      aria-label={`Keep ${row.name} at hand`}
      icon={is ? <StarFilled aria-hidden="true" /> : <StarOutlined aria-hidden="true" />}
      onClick={() => {
        setIs(!is);
        void asked(setStar(row.id, !is)).then((answer) => {
          if (answer.ok) return;
          setIs(is);
          void message.error(answer.problem.detail);
        });
      }}
    />
  );
}

const many = (count: number) => `${count} ${count === 1 ? 'entry' : 'entries'}`;

/** What can be done with several at once. */
function PickedActs({
  rows,
  done,
  mayRetire,
  acts,
  change,
}: {
  readonly rows: readonly LibraryListRow[];
  readonly done: () => void;
  readonly mayRetire: boolean;
  readonly acts: LibraryActs;
  /** Opens the change of several for these. */
  readonly change: (ids: readonly string[]) => void;
}) {
  const { busy, submit } = useSubmit({ tells: true });
  const ids = rows.map(({ id }) => id);
  const starred = !rows.every((row) => row.starred);
  const retired = !rows.every((row) => row.retired);
  return (
    <>
      <Button
        size="small"
        loading={busy}
        onClick={() =>
          void submit(() => acts.starMany({ ids, starred }), {
            said: starred ? `${many(ids.length)} kept at hand.` : `${many(ids.length)} no longer at hand.`,
            then: done,
          })
        }
      >
        {starred ? 'Keep at hand' : 'Not at hand'}
      </Button>
      {mayRetire && (
        <Button size="small" onClick={() => change(ids)}>
          Change
        </Button>
      )}
      {mayRetire && (
        <Button
          size="small"
          loading={busy}
          onClick={() =>
            void submit(() => acts.retireMany({ ids, retired }), {
              said: ({ count }) =>
                retired
                  ? `${many(count)} retired. Proposals that have them keep them.`
                  : `${many(count)} back in use.`,
              then: done,
            })
          }
        >
          {retired ? 'Retire' : 'Bring back'}
        </Button>
      )}
    </>
  );
}

/** So many inputs of a bundle are named. */
const NAMED = 4;

const bundleSays = ({ parts, inputs }: LibraryListRow) => {
  const all = (inputs ?? []).map((label) => label.toLowerCase());
  const named = all.length > NAMED ? [...all.slice(0, NAMED - 1), `${all.length - NAMED + 1} more`] : all;
  return `${parts ?? 0} parts, sized by ${named.join(', ') || 'nothing'}`;
};

/** What a change of several needs to know, where the person may make one. */
export interface SeveralKnown {
  readonly trades: readonly string[];
  readonly usual: UsualTerms;
  readonly timeZone: string;
  readonly actions: SeveralActions;
}

/** The library: found by words, narrowed by kind, trade, what things are made of and what they cost. */
export function LibraryList({
  mayRetire,
  acts,
  several,
  ...props
}: ListProps<LibraryListRow> & {
  readonly mayRetire: boolean;
  readonly acts: LibraryActs;
  readonly several: SeveralKnown | null;
}) {
  const [changed, change] = useState<readonly string[] | null>(null);
  const { spec, state, count } = props.list;
  return (
    <>
      <ListTable
        {...props}
        path="/library"
        find="Find by code, name, tag"
        none="Nothing is in the library yet. Begin with an item, or import a list."
        note={
          several &&
          count > 0 && (
            <p className="list-note">
              <Button size="small" type="link" onClick={() => change([])}>
                Change all {count} of this list
              </Button>
            </p>
          )
        }
        acts={(rows, done) => (
          <PickedActs rows={rows} done={done} mayRetire={mayRetire} acts={acts} change={change} />
        )}
        render={{
          code: (row) => <span className="nowrap">{row.code}</span>,
          name: (row) => (
            <div className="library-name">
              <Link href={`/library/${row.kind}s/${row.id}`} prefetch={false}>
                {row.name.replace(/\{(\w+)\}/g, (_, word: string) => word.replace(/_/g, ' '))}
              </Link>
              {row.retired && <span className="soft"> · retired</span>}
              {(row.grades ?? []).length > 0 && <div className="soft">{row.grades!.join(' · ')}</div>}
            </div>
          ),
          trade: (row) => <div className="library-trade">{row.trade}</div>,
          of: (row) =>
            row.kind === 'bundle'
              ? bundleSays(row)
              : (row.of ?? []).map((type) => costTypeName(type)).join(', '),
          tags: (row) => row.tags.join(', '),
          unit: (row) => (row.unit === null ? 'bundle' : unitName(row.unit)),
          unitCost: (row) => row.unitCost !== null && <UnitAmount value={row.unitCost} />,
          starred: (row) => <Star row={row} setStar={acts.setStar} />,
        }}
      />
      {several && changed && (
        <SeveralDialog
          picked={changed}
          list={Object.fromEntries(writeListState(spec, { ...state, page: 1 }))}
          count={count}
          {...several}
          close={() => change(null)}
        />
      )}
    </>
  );
}

'use client';

import { Alert, Button, Input, Select } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import type { ItemAtDesk } from '@/services/library/items';
import { pricedItem } from '@/core/editing';
import type { Fixed } from '@/core/number';
import {
  isBelowZero,
  minorDigits,
  showAmount,
  showQuantity,
  showUnitAmount,
  writeFixed,
} from '@/core/number';
import { computeFigures, itemUnitCost, ordered } from '@/core/price';
import { parseQuantity } from '@/core/quantity';
import type { Answer, Crew, ItemInput, LibraryItem, Rate, UsualTerms } from '@/model';
import { units } from '@/model';
import { showInstant } from '@/ui/instants';
import { Cell } from '../../ui/live/Cell';
import { BreaksTable } from './BreaksTable';
import { CostsTable } from './CostsTable';
import { OwnLoads } from './OwnLoads';
import { LibraryPictureField } from './LibraryPictureField';
import { alike } from '@/core/editing';
import { asked } from '@/ui/asked';
import { useKeptForm } from '@/ui/kept/useKeptForm';

export interface ItemEditorProps {
  /** Null for a new one. */
  readonly known: ItemAtDesk | null;
  readonly itemId: string | null;
  readonly standsIn: readonly { readonly id: string; readonly code: string; readonly name: string }[];
  readonly rates: readonly Rate[];
  readonly crews: readonly Crew[];
  readonly usual: UsualTerms;
  readonly currency: string;
  readonly timeZone: string;
  readonly mayChange: boolean;
  readonly save: (input: unknown, id?: string, over?: ItemInput) => Promise<Answer<LibraryItem>>;
  readonly retire: (kind: 'item', id: string, retired: boolean) => Promise<Answer<void>>;
}

const emptyItem = (taxClass: string): ItemInput => ({
  code: '',
  name: '',
  detail: '',
  trade: '',
  unit: 'each',
  costs: [],
  taxClass,
  costCode: '',
  tags: [],
  internalNote: '',
});

/** What a quantity of an item comes to, under the company's usual loads. */
function tried(item: ItemInput, quantity: string, usual: UsualTerms, currency: string) {
  const line = {
    kind: 'line' as const,
    ...pricedItem({ ...item, id: 'trial' }),
    description: item.name || 'Item',
    id: 'trial',
    quantity,
  };
  const figures = computeFigures({
    format: 'impegno-proposal',
    formatVersion: 1,
    title: 'Trial',
    currency,
    shows: 'lines',
    sections: [{ id: 's', title: 'Trial', entries: [line] }],
    loads: usual.loads,
    fees: [],
    taxClasses: usual.taxClasses,
    schedule: [],
  }).sections[0]!.lines[0]!;
  return { figures, ordered: ordered(figures.quantity, line) };
}

/** An item of the library: what it is made of, how it is bought, and what a quantity of it comes to. */
export function ItemEditor(props: ItemEditorProps) {
  const { known, itemId, standsIn, rates, crews, usual, currency, timeZone, save, retire } = props;
  const router = useRouter();
  const stored = useMemo<ItemInput>(() => {
    if (!known) return emptyItem(usual.taxClasses[0]!.id);
    const { id: _, ...input } = known.item;
    return input;
  }, [known, usual]);
  const [item, setItem] = useState<ItemInput>(stored);
  /** What it stands over: the item as it was read, then as it was saved. */
  const [over, setOver] = useState(stored);
  const [seen, setSeen] = useState(stored);
  const [quantity, setQuantity] = useState('10');
  const dirty = !alike(item, over);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const trial = useMemo(() => tried(item, quantity, usual, currency), [item, quantity, usual, currency]);
  const digits = minorDigits(currency);
  // Its first saving leads to a page of its own: nothing is typed into the page that goes.
  const mayChange = props.mayChange && !(busy && itemId === null);
  // What the server tells anew is shown, unless something is typed here.
  if (seen !== stored) {
    setSeen(stored);
    if (!dirty) {
      setItem(stored);
      setOver(stored);
    }
  }
  const change = (patch: Partial<ItemInput>) => setItem((before) => ({ ...before, ...patch }));
  /** Sets what may be absent; nothing takes it away. What is typed while a picture is on its way stays. */
  const put = <K extends 'picture' | 'breaks' | 'loads' | 'waste' | 'pack' | 'minimumCharge'>(
    field: K,
    value: ItemInput[K] | null | undefined,
  ) =>
    setItem((before) => {
      const next = { ...before };
      if (value) next[field] = value;
      else delete next[field];
      return next;
    });
  /** Sets a figure that may be absent; empty text takes it away. */
  const figure = (field: 'waste' | 'pack' | 'minimumCharge', text: string, places: number) => {
    const value = text.trim() === '' ? null : writeFixed(parseQuantity(text, places));
    if (value !== null && isBelowZero(value)) throw new Error('Not below zero.');
    put(field, value === '0' ? null : value);
  };
  const { done, notice } = useKeptForm(
    props.mayChange ? `item ${itemId ?? 'new'}` : null,
    item,
    stored,
    setItem,
  );
  useEffect(() => {
    if (!dirty) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [dirty]);

  const submit = async () => {
    setBusy(true);
    setTrouble(null);
    const answer = await asked(itemId === null ? save(item) : save(item, itemId, over));
    setBusy(false);
    if (!answer.ok) {
      setTrouble(answer.problem.detail);
      return;
    }
    // What was typed since is not saved yet.
    setOver(item);
    done();
    if (itemId === null) router.replace(`/library/items/${answer.value.id}`);
    else router.refresh();
  };

  const text = (field: 'code' | 'name' | 'trade' | 'costCode', label: string) => (
    <label className="recipe-field">
      {label}
      <Input
        value={item[field]}
        readOnly={!mayChange}
        maxLength={field === 'name' ? 200 : 40}
        onChange={({ target }) => change({ [field]: target.value })}
      />
    </label>
  );
  const long = (field: 'detail' | 'internalNote' | 'supplierNote', label: string, ours = false) => (
    <label className={`recipe-field ${ours ? 'details-ours' : ''}`}>
      {label}
      <Input.TextArea
        autoSize
        value={item[field] ?? ''}
        readOnly={!mayChange}
        maxLength={2000}
        onChange={({ target }) => change({ [field]: target.value })}
      />
    </label>
  );
  const { figures } = trial;
  return (
    <div className="page recipe-page">
      <header className="page-head">
        <h1>{item.name || 'New item'}</h1>
        <span className="soft">
          {known ? item.code : 'not in the library yet'}
          {known?.retired && ', retired'}
        </span>
        <span className="page-actions">
          {dirty && <span className="soft">Not saved yet</span>}
          {mayChange && known && itemId && (
            <Button
              onClick={() =>
                void asked(retire('item', itemId, !known.retired)).then((answer) =>
                  answer.ok ? router.refresh() : setTrouble(answer.problem.detail),
                )
              }
            >
              {known.retired ? 'Bring back into use' : 'Retire'}
            </Button>
          )}
          {mayChange && (
            <Button type="primary" disabled={!dirty} loading={busy} onClick={() => void submit()}>
              {known ? 'Save in the library' : 'Add to the library'}
            </Button>
          )}
        </span>
      </header>
      {notice}
      {trouble && <Alert type="error" title={trouble} style={{ marginBottom: 12 }} />}
      <div className="columns-2">
        <div>
          <div className="recipe-head">
            {text('code', 'Code')}
            {text('name', 'Name')}
            {text('trade', 'Trade')}
          </div>
          <div className="item-head">
            <label className="recipe-field">
              Unit
              <Select
                style={{ width: '100%' }}
                disabled={!mayChange}
                value={item.unit}
                options={Object.entries(units).map(([value, { name }]) => ({ value, label: name }))}
                onChange={(unit: ItemInput['unit']) => change({ unit })}
              />
            </label>
            <label className="recipe-field">
              Tax
              <Select
                style={{ width: '100%' }}
                disabled={!mayChange}
                value={item.taxClass}
                options={usual.taxClasses.map(({ id, name }) => ({ value: id, label: name }))}
                onChange={(taxClass: string) => change({ taxClass })}
              />
            </label>
            {text('costCode', 'Cost code')}
            <label className="recipe-field">
              Words to find it by
              <Input
                value={item.tags.join(' ')}
                readOnly={!mayChange}
                onChange={({ target }) =>
                  change({ tags: target.value.split(/\s+/).filter(Boolean).slice(0, 20) })
                }
              />
            </label>
          </div>
          <LibraryPictureField
            picture={item.picture ?? null}
            trade={item.trade}
            name={item.name}
            readOnly={!mayChange}
            change={(picture) => put('picture', picture)}
          />
          {long('detail', 'The customer reads below the name')}
          <CostsTable
            costs={item.costs}
            rates={rates}
            crews={crews}
            unit={item.unit}
            readOnly={!mayChange}
            change={(costs) => change({ costs })}
          />
          <section>
            <h2>How it is bought</h2>
            <div className="inputs">
              <label className="input-field">
                <span className="input-label">Waste, % of material</span>
                <Cell
                  name="item-figure"
                  label="Waste, % of material"
                  shown={item.waste ?? ''}
                  readOnly={!mayChange}
                  commit={(typed) => figure('waste', typed, 4)}
                />
              </label>
              <label className="input-field">
                <span className="input-label">Sold in packs of</span>
                <Cell
                  name="item-figure"
                  label="Sold in packs of"
                  shown={item.pack ?? ''}
                  readOnly={!mayChange}
                  commit={(typed) => figure('pack', typed, 6)}
                />
              </label>
              <label className="input-field">
                <span className="input-label">Least we charge</span>
                <Cell
                  name="item-figure"
                  label="Least we charge"
                  shown={item.minimumCharge ?? ''}
                  readOnly={!mayChange}
                  commit={(typed) => figure('minimumCharge', typed, digits)}
                />
              </label>
            </div>
            <BreaksTable
              breaks={item.breaks}
              readOnly={!mayChange}
              change={(breaks) => put('breaks', breaks)}
            />
          </section>
          <OwnLoads
            loads={item.loads}
            usual={usual.loads}
            readOnly={!mayChange}
            change={(loads) => put('loads', loads)}
          />
          {long('supplierNote', 'Where it is bought; only for us', true)}
          {long('internalNote', 'Note; only for us', true)}
        </div>
        <div className="trial-column">
          <aside className="panel trial" aria-label="Trial">
            <h2>Trial</h2>
            <dl className="trial-inputs">
              <div>
                <dt>Quantity</dt>
                <dd>
                  <Cell
                    name="trial"
                    label="Quantity tried"
                    align="right"
                    shown={quantity}
                    commit={(typed) => setQuantity(writeFixed(parseQuantity(typed)))}
                  />
                </dd>
              </div>
            </dl>
            <dl className="pairs">
              <dt>Unit cost</dt>
              <dd>{showUnitAmount(itemUnitCost(item.costs))}</dd>
              {(item.waste ?? item.pack) !== undefined && (
                <>
                  <dt>Material ordered</dt>
                  <dd>{showQuantity(trial.ordered as Fixed)}</dd>
                </>
              )}
              <dt>Cost</dt>
              <dd>{showAmount(figures.costAmount, digits)}</dd>
              <dt>Unit price</dt>
              <dd>{showUnitAmount(figures.unitPrice)}</dd>
              <dt className="sum">Price{figures.minimumApplied ? ', minimum charge' : ''}</dt>
              <dd className="sum">{showAmount(figures.net, digits)}</dd>
            </dl>
          </aside>
          {known && (
            <div className="panel">
              <h2>Stands in</h2>
              {standsIn.length === 0 ? (
                <p className="soft">No bundle.</p>
              ) : (
                <ul className="plain-list">
                  {standsIn.map(({ id, code, name }) => (
                    <li key={id}>
                      <Link href={`/library/bundles/${id}`} prefetch={false}>
                        {code}
                      </Link>{' '}
                      {name.replace(/\{(\w+)\}/g, '$1')}
                    </li>
                  ))}
                </ul>
              )}
              <h2>Cost over time</h2>
              {known.history.length === 0 ? (
                <p className="soft">Not changed since it was added.</p>
              ) : (
                <ul className="plain-list" aria-label="Cost over time">
                  {known.history.map(({ id, at, by, why, before, after }) => (
                    <li key={id}>
                      {before} → {after}{' '}
                      <span className="soft">
                        {showInstant(at, timeZone)}, {by ?? 'nobody named'}, {why}
                      </span>
                    </li>
                  ))}
                </ul>
              )}
            </div>
          )}
        </div>
      </div>
    </div>
  );
}

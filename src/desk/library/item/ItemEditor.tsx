'use client';

import { HistoryOf } from '@/desk/history/HistoryOf';
import { Alert, Button } from 'antd';
import type { ItemAtDesk } from '@/services/library/items';
import { minorDigits } from '@/core/number';
import type { Crew, Rate, CostCodes, UsualTerms } from '@/model';
import { LibraryPictureField } from '../LibraryPictureField';
import { EffectOnDrafts } from '../EffectOnDrafts';
import { StandsIn } from '../StandsIn';
import { CostHistory } from './CostHistory';
import { CostsTable } from '../costs/CostsTable';
import { ItemBuying } from './ItemBuying';
import { ItemFields, ItemText } from './ItemFields';
import { ItemTrial } from './ItemTrial';
import { OwnLoads } from './OwnLoads';
import type { ItemActions } from './useItemDraft';
import { useItemDraft } from './useItemDraft';

export interface ItemEditorProps extends ItemActions {
  /** Null for a new one. */
  readonly known: ItemAtDesk | null;
  readonly standsIn: readonly { readonly id: string; readonly code: string; readonly name: string }[];
  readonly rates: readonly Rate[];
  readonly crews: readonly Crew[];
  readonly usual: UsualTerms;
  readonly costCodes: CostCodes;
  readonly currency: string;
  readonly timeZone: string;
  readonly mayChange: boolean;
}

/** An item of the library: what it is made of, how it is bought, and what a quantity of it comes to. */
export function ItemEditor(props: ItemEditorProps) {
  const { known, standsIn, rates, crews, usual, costCodes, currency, timeZone } = props;
  const work = useItemDraft(known, usual.taxClasses[0]!.id, props.mayChange, props);
  const { item, busy, dirty, change, put } = work;
  // Its first saving leads to a page of its own: nothing is typed into the page that goes.
  const mayChange = props.mayChange && !(busy && known === null);
  const typed = { item, readOnly: !mayChange, change };
  return (
    <div className="page recipe-page">
      <header className="page-head">
        <h1>{item.name || 'New item'}</h1>
        <span className="soft">
          {known ? item.code : 'not in the library yet'}
          {known?.retired && ', retired'}
        </span>
        <span className="page-actions">
          {known && <HistoryOf id={known.item.id} />}
          {dirty && <span className="soft">Not saved yet</span>}
          {mayChange && known && (
            <Button disabled={busy} onClick={() => void work.retire(!known.retired)}>
              {known.retired ? 'Bring back into use' : 'Retire'}
            </Button>
          )}
          {mayChange && (
            <Button type="primary" disabled={!dirty} loading={busy} onClick={() => void work.save()}>
              {known ? 'Save in the library' : 'Add to the library'}
            </Button>
          )}
        </span>
      </header>
      {work.notice}
      {work.refused && <Alert type="error" className="below" title={work.refused} />}
      <div className="columns-2">
        <div>
          <ItemFields {...typed} usual={usual} costCodes={costCodes} />
          <LibraryPictureField
            picture={item.picture ?? null}
            trade={item.trade}
            name={item.name}
            readOnly={!mayChange}
            change={(picture) => put('picture', picture)}
          />
          <ItemText {...typed} field="detail" label="The customer reads below the name" />
          <CostsTable
            costs={item.costs}
            rates={rates}
            crews={crews}
            unit={item.unit}
            readOnly={!mayChange}
            change={(costs) => change({ costs })}
          />
          <ItemBuying item={item} minorDigits={minorDigits(currency)} readOnly={!mayChange} put={put} />
          <OwnLoads
            loads={item.loads}
            usual={usual.loads}
            readOnly={!mayChange}
            change={(loads) => put('loads', loads)}
          />
          <ItemText {...typed} field="supplierNote" label="Where it is bought; only for us" ours />
          <ItemText {...typed} field="internalNote" label="Note; only for us" ours />
        </div>
        <div className="trial-column">
          <ItemTrial item={item} usual={usual} currency={currency} />
          {known && (
            <div className="panel">
              <StandsIn bundles={standsIn} />
              <EffectOnDrafts change={{ id: known.item.id, item }} dirty={dirty} />
              <CostHistory history={known.history} older={known.older} timeZone={timeZone} />
            </div>
          )}
        </div>
      </div>
    </div>
  );
}

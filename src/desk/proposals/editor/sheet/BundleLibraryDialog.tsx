'use client';

import { Alert, Button, Input, Modal, Skeleton } from 'antd';
import { useState } from 'react';
import { showAmount, showDifference } from '@/core/number';
import type { BundleFigures } from '@/core/price';
import { useEditorActions } from '../context';
import type { LibrarySide } from './useBundleInLibrary';
import { useBundleInLibrary } from './useBundleInLibrary';

type Work = ReturnType<typeof useBundleInLibrary>;

/** Takes the bundle anew from the library, with its price before and after. */
function Refresh({
  figures: { bundle, net },
  side,
  refreshed,
  refresh,
}: {
  readonly figures: BundleFigures;
  readonly side: LibrarySide;
  readonly refreshed: NonNullable<Work['refreshed']>;
  readonly refresh: () => void;
}) {
  const { minorDigits } = useEditorActions();
  return (
    <section className="library-act">
      <h3>Take it anew from the library</h3>
      <p>
        {side.bundle.code}, edition {side.bundle.edition}
        {bundle.edition === side.bundle.edition
          ? ', the one this is a copy of; costs of its items may have moved'
          : `; this is a copy of edition ${bundle.edition ?? '?'}`}
        . What you typed and changed on this job stays.
      </p>
      <p>
        Price now {showAmount(net, minorDigits)}, then {showAmount(refreshed.net, minorDigits)} (
        {showDifference(refreshed.difference, minorDigits)})
      </p>
      <Button onClick={refresh}>Refresh this bundle</Button>
    </section>
  );
}

/** Keeps the bundle in the library as a new one. */
function KeepNew({ first, work }: { readonly first: string; readonly work: Work }) {
  const [code, setCode] = useState('');
  const [name, setName] = useState(first);
  const { left, saveNew, busy } = work;
  return (
    <section className="library-act">
      <h3>Keep it as a new bundle</h3>
      <div className="library-new">
        <Input
          aria-label="Code"
          placeholder="Code"
          maxLength={40}
          value={code}
          onChange={({ target }) => setCode(target.value)}
        />
        <Input
          aria-label="Name"
          maxLength={200}
          value={name}
          onChange={({ target }) => setName(target.value)}
        />
        <Button
          loading={busy}
          disabled={code.trim() === '' || name.trim() === ''}
          onClick={() => void saveNew(name, code.trim())}
        >
          Add to the library
        </Button>
      </div>
      {left.length > 0 && <p className="soft">Stays with this job: {left.join(' ')}</p>}
    </section>
  );
}

/** Puts the bundle over the library's own, after saying what else that touches. */
function ChangeForAll({
  side,
  saveOver,
}: {
  readonly side: LibrarySide;
  readonly saveOver: Work['saveOver'];
}) {
  const [sure, setSure] = useState(false);
  const { code } = side.bundle;
  return (
    <section className="library-act library-over">
      <h3>Change the library’s bundle for everyone</h3>
      <p>
        {side.standsIn.length === 0
          ? 'It stands in no other bundle.'
          : `It stands in ${side.standsIn.length} other: ${side.standsIn.map((each) => `${each.code} ${each.name}`).join(', ')}. They change with it.`}{' '}
        Proposals keep their copies until they are refreshed.
      </p>
      {sure ? (
        <>
          <Button danger onClick={() => void saveOver(side).then(() => setSure(false))}>
            Yes, change {code} in the library
          </Button>{' '}
          <Button onClick={() => setSure(false)}>No</Button>
        </>
      ) : (
        <Button onClick={() => setSure(true)}>Change {code} in the library …</Button>
      )}
    </section>
  );
}

/**
 * Where a bundle of this proposal meets the library: refreshed from it with a before and after, kept as a new bundle, or,
 * by an act that is named apart and says what else it touches, put over the library's own.
 */
export function BundleLibraryDialog({
  figures,
  close,
}: {
  readonly figures: BundleFigures;
  readonly close: () => void;
}) {
  const { bundle, sized } = figures;
  const work = useBundleInLibrary(figures);
  const { side, trouble, said, refreshed } = work;
  return (
    <Modal open onCancel={close} footer={null} width={620} title={`${sized.name} and the library`}>
      {trouble && <Alert type="error" title={trouble} className="below" />}
      {said && <Alert type="success" title={said} className="below" />}
      {bundle.bundleId === undefined && <p>This bundle was made for this job and is not in the library.</p>}
      {bundle.bundleId !== undefined && !side && !trouble && (
        <Skeleton active title={false} paragraph={{ rows: 3 }} />
      )}
      {side && refreshed && (
        <Refresh
          figures={figures}
          side={side}
          refreshed={refreshed}
          refresh={() => {
            work.refresh();
            close();
          }}
        />
      )}
      <KeepNew first={bundle.name} work={work} />
      {side && <ChangeForAll side={side} saveOver={work.saveOver} />}
    </Modal>
  );
}

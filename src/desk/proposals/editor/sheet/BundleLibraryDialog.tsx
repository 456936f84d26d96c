'use client';

import { Alert, Button, Input, Modal } from 'antd';
import { produce } from 'immer';
import { useEffect, useState } from 'react';
import type { BundleWithMakeup } from '@/services/library/bundles';
import { recipeOfJob } from '@/core/bundle';
import { refreshBundle } from '@/core/editing';
import { showAmount, showDifference } from '@/core/number';
import type { BundleFigures } from '@/core/price';
import { computeFigures } from '@/core/price';
import { useEditor } from '../context';
import { askDoor } from '@/ui/askDoor';
import { asked } from '@/ui/asked';

interface LibrarySide {
  readonly bundle: BundleWithMakeup;
  readonly standsIn: readonly { readonly code: string; readonly name: string }[];
}

/**
 * Where a bundle of this proposal meets the library: refreshed from it with a before and after, kept as a new bundle, or,
 * by an act that is named apart and says what else it touches, put over the library's own.
 */
export function BundleLibraryDialog({ figures, close }: { figures: BundleFigures; close: () => void }) {
  const { work, figures: now, libraryActions } = useEditor();
  const { bundle } = figures;
  const [side, setSide] = useState<LibrarySide | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [code, setCode] = useState('');
  const [name, setName] = useState(bundle.name);
  const [sure, setSure] = useState(false);
  const { recipe, left } = recipeOfJob(bundle);

  useEffect(() => {
    if (bundle.bundleId === undefined) return;
    let gone = false;
    askDoor<LibrarySide>(`/api/v1/bundles/${bundle.bundleId}/library`)
      .then((read) => !gone && setSide(read))
      .catch((error: Error) => !gone && setTrouble(error.message));
    return () => {
      gone = true;
    };
  }, [bundle.bundleId]);

  const fresh = side && {
    recipe: side.bundle.makeup.recipe,
    within: side.bundle.makeup.within,
    items: side.bundle.makeup.items,
    edition: side.bundle.edition,
  };
  const after =
    fresh && computeFigures(produce(work.document, (draft) => refreshBundle(draft, bundle.id, fresh)));
  const netAfter = after?.sections.flatMap(({ bundles }) => bundles.get(bundle.id) ?? [])[0];
  const difference = netAfter && ((netAfter.net - figures.net) as typeof figures.net);

  const input = {
    name,
    detail: bundle.detail ?? '',
    trade: bundle.trade ?? 'Other',
    tags: side?.bundle.tags ?? [],
    internalNote: side?.bundle.internalNote ?? '',
    shows: bundle.shows,
    recipe,
  };
  const saveNew = async () => {
    setTrouble(null);
    const answer = await asked(libraryActions.addBundle({ ...input, code: code.trim() }));
    if (answer.ok) setSaid(`“${name}” is in the library as ${code.trim()}.`);
    else setTrouble(answer.problem.detail);
  };
  const saveOver = async () => {
    if (!side) return;
    setTrouble(null);
    const answer = await asked(
      libraryActions.saveBundle(side.bundle.id, side.bundle.edition, {
        ...input,
        name: side.bundle.name,
        code: side.bundle.code,
      }),
    );
    setSure(false);
    if (answer.ok) setSaid(`${side.bundle.code} in the library is changed for everyone.`);
    else setTrouble(answer.problem.detail);
  };

  return (
    <Modal open onCancel={close} footer={null} width={620} title={`${figures.sized.name} and the library`}>
      {trouble && <Alert type="error" title={trouble} className="below" />}
      {said && <Alert type="success" title={said} className="below" />}
      {bundle.bundleId === undefined && <p>This bundle was made for this job and is not in the library.</p>}
      {side && netAfter && difference !== undefined && (
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
            Price now {showAmount(figures.net, now.minorDigits)}, then{' '}
            {showAmount(netAfter.net, now.minorDigits)} ({showDifference(difference, now.minorDigits)})
          </p>
          <Button
            onClick={() => {
              work.edit((draft) => refreshBundle(draft, bundle.id, fresh!));
              close();
            }}
          >
            Refresh this bundle
          </Button>
        </section>
      )}
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
          <Button disabled={code.trim() === '' || name.trim() === ''} onClick={() => void saveNew()}>
            Add to the library
          </Button>
        </div>
        {left.length > 0 && <p className="soft">Stays with this job: {left.join(' ')}</p>}
      </section>
      {side && (
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
              <Button danger onClick={() => void saveOver()}>
                Yes, change {side.bundle.code} in the library
              </Button>{' '}
              <Button onClick={() => setSure(false)}>No</Button>
            </>
          ) : (
            <Button onClick={() => setSure(true)}>Change {side.bundle.code} in the library …</Button>
          )}
        </section>
      )}
    </Modal>
  );
}

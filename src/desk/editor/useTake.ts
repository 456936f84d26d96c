'use client';

import { useState } from 'react';
import { shortName } from '@/core/bundle';
import { addAlternative, addBundle, addLines, addToBundle, bundleFromLibrary } from '@/core/editing';
import type { Line } from '@/model';
import { newPartId, useEditor, useEditorActions } from './context';
import type { Found } from './library';
import { readBundle } from './library';

/** The name of a bundle without its placeholders’ braces. */
export const plainName = (name: string): string =>
  name.replace(/\{(\w+)\}/g, (_, input: string) => input.replace(/_/g, ' '));

/** Puts lines and bundles where new ones go: the section, question or bundle that is the target. */
export function useTake() {
  const { work, target, setTarget } = useEditor();
  const { reveal, setView } = useEditorActions();
  const [said, setSaid] = useState('');

  const put = (line: Line): void => {
    if (target.kind === 'question') {
      work.edit((draft) =>
        addAlternative(draft, target.questionId, { id: newPartId(), name: line.description, lines: [line] }),
      );
      setSaid(`${line.description} added as an alternative.`);
      return;
    }
    if (target.kind === 'bundle') {
      work.edit((draft) => addToBundle(draft, target.bundleId, line));
      setSaid(`${line.description} added to the bundle, on this job.`);
      reveal({ key: line.id });
      return;
    }
    work.edit((draft) => addLines(draft, target.sectionId, [line], target.afterId));
    setTarget({ ...target, afterId: line.id });
    setSaid(`${line.description} added.`);
    reveal({ key: line.id });
  };

  /** Puts a bundle, opens it and goes to the first input that is not typed yet. */
  const putBundle = async (
    wanted: Extract<Found, { kind: 'bundle' }>['bundle'],
    first: string | null,
  ): Promise<void> => {
    if (target.kind === 'bundle') {
      setSaid('A bundle goes into a section; inside another it is made in the library.');
      return;
    }
    const { makeup, ...library } = await readBundle(wanted.id);
    const bundle = bundleFromLibrary(library, makeup, newPartId(), first);
    if (target.kind === 'question')
      work.edit((draft) =>
        addAlternative(draft, target.questionId, {
          id: newPartId(),
          name: shortName(wanted.name),
          lines: [bundle],
        }),
      );
    else {
      work.edit((draft) => addBundle(draft, target.sectionId, bundle, target.afterId));
      setTarget({ ...target, afterId: bundle.id });
    }
    setView((before) => ({ ...before, opened: new Set([...before.opened, bundle.id]) }));
    setSaid(`${shortName(wanted.name)} added. Its inputs are open.`);
    reveal({
      key: bundle.id,
      align: 'start',
      focusIn: `${bundle.id} inputs`,
      cell: 'input',
      nth: first === null ? 0 : 1,
    });
  };
  return { put, putBundle, said, setSaid };
}

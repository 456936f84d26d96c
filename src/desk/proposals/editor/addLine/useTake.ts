'use client';

import { measuringOf } from '@/core/space';
import { useLayoutEffect, useRef, useState } from 'react';
import { shortName } from '@/core/bundle';
import { addAlternative, addBundle, addLines, addToBundle, bundleFromLibrary } from '@/core/editing';
import type { Line } from '@/model';
import type { Target } from '../context';
import { newPartId, useEditor, useEditorActions } from '../context';
import type { Found } from '../../../library/search';
import { readBundle } from '../../../library/search';

/** The name of a bundle without its placeholders’ braces. */
export const plainName = (name: string): string =>
  name.replace(/\{(\w+)\}/g, (_, input: string) => input.replace(/_/g, ' '));

const placeOf = (target: Target): string =>
  target.kind === 'section' ? `${target.sectionId} ${target.afterId ?? ''}` : '';

/** Puts lines and bundles where new ones go: the section, question or bundle that is the target, or another given. */
export function useTake() {
  const { work, target, setTarget } = useEditor();
  const { reveal, setView } = useEditorActions();
  const [said, setSaid] = useState('');
  const now = useRef(target);
  useLayoutEffect(() => {
    now.current = target;
  });
  /** Where what is put after something that was just put goes: several asked for at one place stand in their order. */
  const followed = useRef(new Map<string, string>());

  const put = (lines: readonly Line[], where: Target = now.current): void => {
    const last = lines.at(-1);
    if (!last) return;
    const what = lines.length === 1 ? last.description : `${lines.length} lines`;
    if (where.kind === 'question') {
      work.edit((draft) => {
        for (const line of lines)
          addAlternative(draft, where.questionId, { id: newPartId(), name: line.description, lines: [line] });
      });
      setSaid(`${what} added as ${lines.length === 1 ? 'an alternative' : 'alternatives'}.`);
      return;
    }
    if (where.kind === 'bundle') {
      work.edit((draft) => {
        for (const line of lines) addToBundle(draft, where.bundleId, line);
      });
      setSaid(`${what} added to the bundle, on this job.`);
      reveal({ key: last.id });
      return;
    }
    const at = behind(where);
    work.edit((draft) => addLines(draft, at.sectionId, lines, at.afterId));
    wasPut(where, last.id);
    setSaid(`${what} added.`);
    reveal({ key: last.id });
  };

  const behind = (where: Extract<Target, { kind: 'section' }>): typeof where => {
    let at = where;
    for (let next = followed.current.get(placeOf(at)); next; next = followed.current.get(placeOf(at)))
      at = { ...at, afterId: next };
    return at;
  };
  /** The place goes on behind what was put, unless the person is elsewhere by now. */
  const wasPut = (where: Extract<Target, { kind: 'section' }>, id: string): void => {
    const at = behind(where);
    followed.current.set(placeOf(at), id);
    const here = now.current;
    if (here.kind !== 'section' || here.sectionId !== where.sectionId) return;
    if (placeOf(behind(here)) !== placeOf({ ...at, afterId: id })) return;
    now.current = { ...here, afterId: id };
    setTarget(now.current);
  };

  /** Puts a bundle, opens it and, where it may, goes to the first input that is not typed yet. */
  const putBundle = async (
    wanted: Extract<Found, { kind: 'bundle' }>['bundle'],
    first: string | null,
    where: Target = now.current,
    mayGoThere: Promise<() => boolean> = Promise.resolve(() => true),
  ): Promise<void> => {
    if (where.kind === 'bundle')
      throw new Error('A bundle goes into a section; inside another it is made in the library.');
    const { makeup, ...library } = await readBundle(wanted.id);
    const bundle = bundleFromLibrary(library, makeup, newPartId(), first, measuringOf(work.document));
    if (where.kind === 'question')
      work.edit((draft) =>
        addAlternative(draft, where.questionId, {
          id: newPartId(),
          name: shortName(wanted.name),
          lines: [bundle],
        }),
      );
    else {
      const at = behind(where);
      work.edit((draft) => addBundle(draft, at.sectionId, bundle, at.afterId));
      wasPut(where, bundle.id);
    }
    setView((before) => ({ ...before, opened: new Set([...before.opened, bundle.id]) }));
    setSaid(`${shortName(wanted.name)} added. Its inputs are open.`);
    const there = { key: bundle.id, align: 'start' } as const;
    reveal(there);
    // Keys that are typed already belong where they are typed.
    void mayGoThere.then(
      (mayFocus) =>
        mayFocus() &&
        reveal({
          ...there,
          focusIn: `${bundle.id} inputs`,
          cell: 'input',
          nth: first === null ? 0 : 1,
          mayFocus,
        }),
    );
  };

  /** Nothing is on its way any more: places are what they are again. */
  const rest = () => followed.current.clear();
  return { put, putBundle, rest, said, setSaid };
}

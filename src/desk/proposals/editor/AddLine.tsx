'use client';

import { Button } from 'antd';
import dynamic from 'next/dynamic';
import type { ClipboardEvent, KeyboardEvent } from 'react';
import { useEffect, useRef, useState } from 'react';
import { lineAsTyped, ownLineAsTyped } from '@/core/editing';
import { showUnitAmount } from '@/core/number';
import { itemUnitCost } from '@/core/price';
import { readAddLine } from '@/core/quantity';
import { unitName } from '@/model';
import { useKeptText } from '@/ui/kept/useKeptText';
import type { Target } from './context';
import { newPartId, useEditor } from './context';
import type { Found } from '../../library/search';
import { findInLibrary } from '../../library/search';
import { PasteDialog } from './PasteDialog';
import { useAddQueue } from './useAddQueue';
import { plainName, useTake } from './useTake';
import { WaitingAdds } from './WaitingAdds';

const BrowseLibraryDialog = dynamic(() =>
  import('./BrowseLibraryDialog').then((module) => module.BrowseLibraryDialog),
);

const keyOf = (found: Found) => (found.kind === 'item' ? found.item.id : found.bundle.id);

/** How long after an Enter without another key a bundle's inputs may take the focus, in milliseconds. */
const QUIET = 250;

/** The add line at the foot of the sheet: quantity, a few letters, Enter. A bundle then asks its inputs in place. */
export function AddLine() {
  const { work, target, setTarget, proposalId } = useEditor();
  const { put, putBundle, rest, said, setSaid } = useTake();
  const [text, keepText, emptied] = useKeptText(`add line ${proposalId}`);
  const [found, setFound] = useState<{ words: string; all: Found[] } | null>(null);
  const [picked, setPicked] = useState(0);
  const [browsing, setBrowsing] = useState(false);
  const [pasted, setPasted] = useState<{ text: string; target: Target } | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const request = useRef<AbortController | null>(null);
  const lastKey = useRef(0);
  const { words } = readAddLine(text);
  const titleOf = (where: Target) =>
    where.kind === 'section'
      ? work.document.sections.find(({ id }) => id === where.sectionId)?.title
      : undefined;
  const section = titleOf(target);

  const queue = useAddQueue(proposalId, {
    look: async ({ text: typed, own, picked: known, target: where }) => {
      if (own) return 'own';
      if (known) return known;
      return (await findInLibrary(readAddLine(typed).words, titleOf(where)))[0] ?? null;
    },
    put: async (one, { text: typed, target: where }) => {
      const read = readAddLine(typed);
      if (one === 'own') put([ownLineAsTyped(read, newPartId(), work.document.taxClasses[0]!.id)], where);
      else if (one.kind === 'item') put([lineAsTyped(one.item, newPartId(), read)], where);
      else await putBundle(one.bundle, read.quantity, where, quiet());
    },
  });
  const { waiting } = queue;
  useEffect(() => {
    if (waiting.every(({ trouble }) => trouble !== null)) rest();
  });

  /** Whether the person waits for what they asked for (no key or click since, nothing in the field), at any later moment. */
  const quiet = async (): Promise<() => boolean> => {
    const asked = lastKey.current;
    await new Promise((go) => setTimeout(go, Math.max(0, asked + QUIET - performance.now())));
    return () =>
      lastKey.current === asked &&
      field.current?.value === '' &&
      (document.activeElement === field.current || document.activeElement === document.body);
  };

  const giveUpLooking = () => {
    request.current?.abort();
    request.current = null;
    setFound(null);
    setPicked(0);
  };
  const look = (wanted: string) => {
    request.current?.abort();
    const controller = new AbortController();
    request.current = controller;
    findInLibrary(wanted, section, controller.signal).then(
      (all) => {
        // An answer to what is not asked any more is no answer.
        if (request.current !== controller) return;
        setFound({ words: wanted, all });
        setPicked(0);
      },
      () => undefined,
    );
  };

  useEffect(() => {
    if (words.length === 0) return;
    const timer = setTimeout(() => look(words), 60);
    return () => clearTimeout(timer);
    // The words alone ask anew.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [words]);

  /** Takes what stands in the field, at once: the next thing can be typed while it is looked up. */
  const add = (own: boolean, one: Found | null) => {
    const typed = field.current?.value ?? text;
    if (typed.trim() === '' && one === null) return;
    const read = readAddLine(typed);
    if (one === null && read.words === '') return;
    queue.ask({ text: typed, target, own, picked: one });
    emptied();
    setSaid('');
    giveUpLooking();
  };

  /** What was found is what these words ask for. */
  const fits = (typed: string) => found !== null && found.words === readAddLine(typed).words;

  const onPaste = (event: ClipboardEvent<HTMLInputElement>) => {
    const clip = event.clipboardData.getData('text/plain');
    if (!clip.trim().includes('\n')) return;
    event.preventDefault();
    setPasted({ text: clip, target });
  };

  const shown = found !== null && (words !== '' || found.words === '') ? found.all : [];

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    lastKey.current = event.timeStamp;
    const last = shown.length - 1;
    if (event.key === '/' && text === '') {
      // The key that leads here, pressed once more.
      event.preventDefault();
    } else if (event.key === 'ArrowDown') {
      event.preventDefault();
      // On the empty field: what is often used on such a section.
      if (words === '' && found === null) look('');
      else setPicked(Math.min(picked + 1, Math.max(last, 0)));
    } else if (event.key === 'ArrowUp') {
      event.preventDefault();
      if (picked > 0) setPicked(picked - 1);
      else if (text === '' && found !== null) giveUpLooking();
      else if (text === '')
        [...document.querySelectorAll<HTMLElement>('[data-cell="quantity"]')].at(-1)?.focus();
    } else if (event.key === 'Enter' && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      const fresh = fits(event.currentTarget.value);
      add(event.shiftKey, !event.shiftKey && fresh ? (found!.all[picked] ?? null) : null);
    } else if (event.key === 'Escape') {
      if (text === '' && target.kind !== 'section')
        setTarget({ kind: 'section', sectionId: work.document.sections[0]!.id });
      emptied();
      giveUpLooking();
    }
  };

  const where =
    target.kind === 'question'
      ? 'as an alternative'
      : target.kind === 'bundle'
        ? 'to the bundle, on this job'
        : `to ${work.document.sections.find(({ id }) => id === target.sectionId)?.title ?? 'the proposal'}`;
  return (
    <div className="add-line">
      <WaitingAdds
        {...queue}
        edit={
          text === ''
            ? (one) => {
                queue.drop(one.id);
                setTarget(one.target);
                keepText(one.text);
                field.current?.focus();
              }
            : null
        }
      />
      {shown.length > 0 && (
        <ul className="add-found" role="listbox" id="add-found" aria-label="Fitting items">
          {shown.map((one, i) => (
            <li
              key={keyOf(one)}
              id={`found-${i}`}
              role="option"
              aria-selected={i === picked}
              onMouseDown={(event) => {
                event.preventDefault();
                add(false, one);
                field.current?.focus();
              }}
            >
              <FoundRow one={one} />
            </li>
          ))}
        </ul>
      )}
      <kbd aria-hidden="true">/</kbd>
      <input
        id="add-line"
        ref={field}
        value={text}
        placeholder="12 joist"
        aria-label={`Add a line ${where}`}
        role="combobox"
        aria-expanded={shown.length > 0}
        aria-controls="add-found"
        aria-activedescendant={shown.length > 0 ? `found-${picked}` : undefined}
        autoComplete="off"
        onChange={(event) => {
          keepText(event.target.value);
          setSaid('');
        }}
        onPointerDown={(event) => {
          lastKey.current = event.timeStamp;
        }}
        onKeyDown={onKeyDown}
        onPaste={onPaste}
      />
      <span className="soft add-where">{said || where}</span>
      {text.trim() !== '' && (
        // Where there are fingers and no Enter key.
        <span className="add-touch">
          <Button type="primary" onClick={() => add(false, fits(text) ? (found!.all[picked] ?? null) : null)}>
            Add
          </Button>
          <Button onClick={() => add(true, null)}>Own line</Button>
        </span>
      )}
      <button type="button" className="plain-button" onClick={() => setBrowsing(true)}>
        Browse library
      </button>
      <span className="add-keys soft" aria-hidden="true">
        <kbd>↵</kbd> add <kbd>↓</kbd> next <kbd>⇧↵</kbd> own line
      </span>
      <span className="visually-hidden" role="status">
        {said}
      </span>
      {browsing && (
        <BrowseLibraryDialog
          section={section}
          close={() => {
            setBrowsing(false);
            field.current?.focus();
          }}
        />
      )}
      {pasted !== null && (
        <PasteDialog
          text={pasted.text}
          sectionTitle={titleOf(pasted.target)}
          taxClass={work.document.taxClasses[0]!.id}
          add={(lines) => put(lines, pasted.target)}
          close={() => {
            setPasted(null);
            field.current?.focus();
          }}
        />
      )}
    </div>
  );
}

function FoundRow({ one }: { one: Found }) {
  if (one.kind === 'item') {
    const { code, name, trade, unit, costs } = one.item;
    return (
      <>
        <span className="soft found-code">{code}</span>
        <span>{name}</span>
        <span className="soft">{trade}</span>
        <span className="amount">
          {showUnitAmount(itemUnitCost(costs))} / {unitName(unit)}
        </span>
      </>
    );
  }
  const { code, name, trade, recipe } = one.bundle;
  return (
    <>
      <span className="soft found-code">{code}</span>
      <span>{plainName(name)}</span>
      <span className="soft">{trade}</span>
      <span className="found-bundle">bundle, {recipe.parts.length} parts</span>
    </>
  );
}

'use client';

import dynamic from 'next/dynamic';
import type { ClipboardEvent, KeyboardEvent } from 'react';
import { useEffect, useRef, useState } from 'react';
import { addLines, lineAsTyped, ownLineAsTyped } from '@/core/editing';
import { showUnitAmount } from '@/core/number';
import { itemUnitCost } from '@/core/price';
import { readAddLine } from '@/core/quantity';
import { unitName } from '@/model';
import { newPartId, useEditor, useEditorActions } from './context';
import type { Found } from './library';
import { findInLibrary } from './library';
import { PasteDialog } from './PasteDialog';
import { plainName, useTake } from './useTake';

const ShelvesDialog = dynamic(() => import('./ShelvesDialog').then((module) => module.ShelvesDialog));

const keyOf = (found: Found) => (found.kind === 'item' ? found.item.id : found.bundle.id);

/** The add line at the foot of the sheet: quantity, a few letters, Enter. A bundle then asks its inputs in place. */
export function AddLine() {
  const { work, target, setTarget } = useEditor();
  const { reveal } = useEditorActions();
  const { put, putBundle, said, setSaid } = useTake();
  const [text, setText] = useState('');
  const [found, setFound] = useState<{ words: string; all: Found[] } | null>(null);
  const [picked, setPicked] = useState(0);
  const [shelves, setShelves] = useState(false);
  const [pasted, setPasted] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const request = useRef<AbortController | null>(null);
  const typed = readAddLine(text);
  const { words } = typed;
  const section =
    target.kind === 'section'
      ? work.document.sections.find(({ id }) => id === target.sectionId)?.title
      : undefined;

  const search = async (wanted: string): Promise<Found[]> => {
    request.current?.abort();
    const controller = new AbortController();
    request.current = controller;
    return findInLibrary(wanted, section, controller.signal);
  };
  const look = (wanted: string) =>
    search(wanted).then(
      (all) => {
        setFound({ words: wanted, all });
        setPicked(0);
      },
      () => undefined,
    );

  useEffect(() => {
    if (words.length === 0) return;
    const timer = setTimeout(() => void look(words), 60);
    return () => clearTimeout(timer);
    // The words alone ask anew.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [words]);

  const take = async (one: Found) => {
    if (one.kind === 'item') put(lineAsTyped(one.item, newPartId(), typed));
    else await putBundle(one.bundle, typed.quantity);
    setText('');
    setFound(null);
  };

  const add = async (own: boolean) => {
    if (own) {
      if (words === '') return;
      put(ownLineAsTyped(typed, newPartId(), work.document.taxClasses[0]!.id));
      setText('');
      setFound(null);
      return;
    }
    try {
      const fresh = found !== null && found.words === words;
      if (words === '' && !fresh) return;
      // Asked apart: what is looked for while typing may be given up, this may not.
      const one = fresh ? found.all[picked] : (await findInLibrary(words, section))[0];
      if (one) await take(one);
      else setSaid(`Nothing in the library fits “${words}”. Shift Enter adds it as a line of its own.`);
    } catch {
      setSaid('The library does not answer. Try again.');
    }
  };

  const onPaste = (event: ClipboardEvent<HTMLInputElement>) => {
    const clip = event.clipboardData.getData('text/plain');
    if (!clip.trim().includes('\n')) return;
    event.preventDefault();
    setPasted(clip);
  };

  const shown = found !== null && (words !== '' || found.words === '') ? found.all : [];

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    const last = shown.length - 1;
    if (event.key === '/' && text === '') {
      // The key that leads here, pressed once more.
      event.preventDefault();
    } else if (event.key === 'ArrowDown') {
      event.preventDefault();
      // On the empty field: what is often used on such a section.
      if (words === '' && found === null) void look('');
      else setPicked(Math.min(picked + 1, Math.max(last, 0)));
    } else if (event.key === 'ArrowUp') {
      event.preventDefault();
      if (picked > 0) setPicked(picked - 1);
      else if (text === '' && found !== null) setFound(null);
      else if (text === '')
        [...document.querySelectorAll<HTMLElement>('[data-cell="quantity"]')].at(-1)?.focus();
    } else if (event.key === 'Enter' && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      void add(event.shiftKey);
    } else if (event.key === 'Escape') {
      if (text === '' && target.kind !== 'section')
        setTarget({ kind: 'section', sectionId: work.document.sections[0]!.id });
      setText('');
      setFound(null);
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
                take(one).catch(() => setSaid('The library does not answer. Try again.'));
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
          setText(event.target.value);
          setSaid('');
        }}
        onKeyDown={onKeyDown}
        onPaste={onPaste}
      />
      <span className="soft add-where">{said || where}</span>
      <button type="button" className="plain-button" onClick={() => setShelves(true)}>
        Shelves
      </button>
      <span className="add-keys soft" aria-hidden="true">
        <kbd>↵</kbd> add <kbd>↓</kbd> next <kbd>⇧↵</kbd> own line
      </span>
      <span className="visually-hidden" role="status">
        {said}
      </span>
      {shelves && (
        <ShelvesDialog
          section={section}
          close={() => {
            setShelves(false);
            field.current?.focus();
          }}
        />
      )}
      {pasted !== null && target.kind === 'section' && (
        <PasteDialog
          text={pasted}
          sectionTitle={section}
          taxClass={work.document.taxClasses[0]!.id}
          add={(lines) => {
            work.edit((draft) => addLines(draft, target.sectionId, lines, target.afterId));
            const last = lines.at(-1);
            if (last) {
              setTarget({ ...target, afterId: last.id });
              reveal({ key: last.id });
            }
            setSaid(`${lines.length} lines added.`);
          }}
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

'use client';

import type { KeyboardEvent } from 'react';
import { useEffect, useRef, useState } from 'react';
import { addAlternative, addLines, lineFromItem, plainLine } from '@/core/editing';
import { showUnitAmount } from '@/core/number';
import { itemUnitCost } from '@/core/price';
import { readAddLine } from '@/core/quantity';
import type { LibraryItem, Line } from '@/model';
import { unitName } from '@/model';
import { newPartId, useEditor } from './context';

/** The add line at the foot of the sheet: quantity, a few letters, Enter. */
export function AddLine() {
  const { work, target, setTarget } = useEditor();
  const [text, setText] = useState('');
  const [found, setFound] = useState<{ words: string; items: LibraryItem[] }>({ words: '', items: [] });
  const [picked, setPicked] = useState(0);
  const [said, setSaid] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const request = useRef<AbortController | null>(null);
  const { quantity, words } = readAddLine(text);

  const search = async (wanted: string): Promise<LibraryItem[]> => {
    request.current?.abort();
    const controller = new AbortController();
    request.current = controller;
    const answer = await fetch(`/api/v1/items?search=${encodeURIComponent(wanted)}`, {
      signal: controller.signal,
    });
    if (!answer.ok) throw new Error('The library does not answer.');
    return ((await answer.json()) as { items: LibraryItem[] }).items;
  };

  useEffect(() => {
    if (words.length === 0) return;
    const timer = setTimeout(() => {
      search(words).then(
        (items) => {
          setFound({ words, items });
          setPicked(0);
        },
        () => undefined,
      );
    }, 60);
    return () => clearTimeout(timer);
  }, [words]);

  const put = (line: Line) => {
    if (target.kind === 'question') {
      work.edit((draft) =>
        addAlternative(draft, target.questionId, { id: newPartId(), name: line.description, lines: [line] }),
      );
      setSaid(`${line.description} added as an alternative.`);
      return;
    }
    work.edit((draft) => addLines(draft, target.sectionId, [line], target.afterId));
    setTarget({ ...target, afterId: line.id });
    setSaid(`${line.description} added.`);
    requestAnimationFrame(() =>
      document.querySelector(`[data-row="${line.id}"]`)?.scrollIntoView({ block: 'nearest' }),
    );
  };

  const add = async (own: boolean) => {
    if (words === '') return;
    if (own) {
      const taxClass = work.document.taxClasses[0]!.id;
      put(plainLine(newPartId(), words, quantity, taxClass));
    } else {
      let items = found.items;
      if (found.words !== words) {
        try {
          items = await search(words);
        } catch {
          setSaid('The library does not answer. Try again.');
          return;
        }
      }
      const item = items[found.words === words ? picked : 0];
      if (!item) {
        setSaid(`Nothing in the library fits “${words}”. Shift Enter adds it as a line of its own.`);
        return;
      }
      put(lineFromItem(item, newPartId(), quantity));
    }
    setText('');
    setFound({ words: '', items: [] });
  };

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    const last = found.items.length - 1;
    if (event.key === '/' && text === '') {
      // The key that leads here, pressed once more.
      event.preventDefault();
    } else if (event.key === 'ArrowDown') {
      event.preventDefault();
      setPicked(Math.min(picked + 1, Math.max(last, 0)));
    } else if (event.key === 'ArrowUp') {
      event.preventDefault();
      if (picked > 0) setPicked(picked - 1);
      else if (text === '')
        [...document.querySelectorAll<HTMLElement>('[data-cell="quantity"]')].at(-1)?.focus();
    } else if (event.key === 'Enter') {
      event.preventDefault();
      void add(event.shiftKey);
    } else if (event.key === 'Escape') {
      if (text === '' && target.kind === 'question')
        setTarget({ kind: 'section', sectionId: work.document.sections[0]!.id });
      setText('');
    }
  };

  const shown = words === '' || found.words === '' ? [] : found.items;
  const where =
    target.kind === 'question'
      ? 'as an alternative'
      : `to ${work.document.sections.find(({ id }) => id === target.sectionId)?.title ?? 'the proposal'}`;
  return (
    <div className="add-line">
      {shown.length > 0 && (
        <ul className="add-found" role="listbox" id="add-found" aria-label="Fitting items">
          {shown.map((item, i) => (
            <li
              key={item.id}
              id={`found-${i}`}
              role="option"
              aria-selected={i === picked}
              onMouseDown={(event) => {
                event.preventDefault();
                put(lineFromItem(item, newPartId(), quantity));
                setText('');
                field.current?.focus();
              }}
            >
              <span className="soft found-code">{item.code}</span>
              <span>{item.name}</span>
              <span className="soft">{item.trade}</span>
              <span className="amount">
                {showUnitAmount(itemUnitCost(item.costs))} / {unitName(item.unit)}
              </span>
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
      />
      <span className="soft add-where">{said || where}</span>
      <span className="add-keys soft" aria-hidden="true">
        <kbd>↵</kbd> add <kbd>↓</kbd> next <kbd>⇧↵</kbd> own line
      </span>
      <span className="visually-hidden" role="status">
        {said}
      </span>
    </div>
  );
}

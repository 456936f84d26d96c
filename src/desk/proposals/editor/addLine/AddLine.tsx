'use client';

import { Button } from 'antd';
import dynamic from 'next/dynamic';
import type { ClipboardEvent, KeyboardEvent } from 'react';
import { useRef, useState } from 'react';
import { readAddLine } from '@/core/quantity';
import { useKeptText } from '@/ui/kept/useKeptText';
import type { Found } from '../../../library/search';
import type { Target } from '../context';
import { useEditor } from '../context';
import { FoundList } from './FoundList';
import { PasteDialog } from './PasteDialog';
import { useAdding } from './useAdding';
import { useFoundWords } from './useFoundWords';
import { WaitingAdds } from './WaitingAdds';

const BrowseLibraryDialog = dynamic(() =>
  import('../BrowseLibraryDialog').then((module) => module.BrowseLibraryDialog),
);

/** The add line at the foot of the sheet: quantity, a few letters, Enter. A bundle then asks its inputs in place. */
export function AddLine() {
  const { work, target, setTarget, proposalId } = useEditor();
  const [text, keepText, emptied] = useKeptText(`add line ${proposalId}`);
  const [browsing, setBrowsing] = useState(false);
  const [pasted, setPasted] = useState<{ readonly text: string; readonly target: Target } | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const adding = useAdding(field);
  const { queue, said, setSaid, titleOf } = adding;
  const { words } = readAddLine(text);
  const section = titleOf(target);
  const found = useFoundWords(words, section);
  const { shown, picked } = found;
  const toField = () => field.current?.focus();

  /** Takes what stands in the field, at once: the next thing can be typed while it is looked up. */
  const add = (own: boolean, one: Found | null) => {
    if (!adding.ask(field.current?.value ?? text, target, own, one)) return;
    emptied();
    found.giveUp();
  };

  const onPaste = (event: ClipboardEvent<HTMLInputElement>) => {
    const clip = event.clipboardData.getData('text/plain');
    if (!clip.trim().includes('\n')) return;
    event.preventDefault();
    setPasted({ text: clip, target });
  };

  const down = () => {
    // On the empty field: what is often used on such a section.
    if (words === '' && !found.looked) found.look('');
    else found.setPicked(Math.min(picked + 1, Math.max(shown.length - 1, 0)));
  };
  const up = () => {
    if (picked > 0) found.setPicked(picked - 1);
    else if (text !== '') return;
    else if (found.looked) found.giveUp();
    else [...document.querySelectorAll<HTMLElement>('[data-cell="quantity"]')].at(-1)?.focus();
  };
  const escape = () => {
    if (text === '' && target.kind !== 'section')
      setTarget({ kind: 'section', sectionId: work.document.sections[0]!.id });
    emptied();
    found.giveUp();
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    adding.noteKey(event.timeStamp);
    const { key, shiftKey } = event;
    if (key === 'Escape') {
      escape();
      return;
    }
    // The key that leads here, pressed once more, types nothing.
    const again = key === '/' && text === '';
    const enter = key === 'Enter' && !event.ctrlKey && !event.metaKey;
    if (!again && !enter && key !== 'ArrowDown' && key !== 'ArrowUp') return;
    event.preventDefault();
    if (key === 'ArrowDown') down();
    else if (key === 'ArrowUp') up();
    else if (enter) add(shiftKey, shiftKey ? null : found.pickedFor(event.currentTarget.value));
  };

  const where =
    target.kind === 'question'
      ? 'as an alternative'
      : target.kind === 'bundle'
        ? 'to the bundle, on this job'
        : `to ${section ?? 'the proposal'}`;
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
                toField();
              }
            : null
        }
      />
      <FoundList
        shown={shown}
        picked={picked}
        take={(one) => {
          add(false, one);
          toField();
        }}
      />
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
        onPointerDown={(event) => adding.noteKey(event.timeStamp)}
        onKeyDown={onKeyDown}
        onPaste={onPaste}
      />
      <span className="soft add-where">{said || where}</span>
      {text.trim() !== '' && (
        // Where there are fingers and no Enter key.
        <span className="add-touch">
          <Button type="primary" onClick={() => add(false, found.pickedFor(text))}>
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
            toField();
          }}
        />
      )}
      {pasted !== null && (
        <PasteDialog
          text={pasted.text}
          sectionTitle={titleOf(pasted.target)}
          taxClass={adding.taxClass}
          add={(lines) => adding.put(lines, pasted.target)}
          close={() => {
            setPasted(null);
            toField();
          }}
        />
      )}
    </div>
  );
}

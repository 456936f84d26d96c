'use client';

import { useRef, useState } from 'react';
import { readAddLine } from '@/core/quantity';
import { useKeptText } from '@/ui/kept/useKeptText';
import type { Found } from '../../../library/search';
import type { Target } from '../context';
import { useEditor } from '../context';
import type { PastedText } from './AddDialogs';
import { AddActs } from './AddActs';
import { AddDialogs } from './AddDialogs';
import { FoundList } from './FoundList';
import { useAdding } from './useAdding';
import { useAddLineKeys } from './useAddLineKeys';
import { useFocusOnBeginning } from './useFocusOnBeginning';
import { useFoundWords } from './useFoundWords';
import { WaitingAdds } from './WaitingAdds';
import { usePasting } from '../copying/usePasting';

/** Where what is added goes. */
const placeInWords = ({ kind }: Target, section: string | undefined): string => {
  if (kind === 'question') return 'as an alternative';
  if (kind === 'bundle') return 'to the bundle, on this job';
  return `to ${section ?? 'the proposal'}`;
};

/** The add line at the foot of the sheet: quantity, a few letters, Enter. A bundle then asks its inputs in place. */
export function AddLine() {
  const { work, target, setTarget, proposalId } = useEditor();
  const [text, keepText, emptied] = useKeptText(`add line ${proposalId}`);
  const [browsing, setBrowsing] = useState(false);
  const [pasted, setPasted] = useState<PastedText | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const adding = useAdding(field);
  const { queue, said, setSaid, titleOf } = adding;
  const { words } = readAddLine(text);
  const section = titleOf(target);
  const found = useFoundWords(words, section);
  const { shown, picked } = found;
  const toField = () => field.current?.focus();
  useFocusOnBeginning(field);

  /** Takes what stands in the field, at once: the next thing can be typed while it is looked up. */
  const add = (own: boolean, one: Found | null) => {
    if (!adding.ask(field.current?.value ?? text, target, own, one)) return;
    emptied();
    found.giveUp();
  };

  usePasting({ look: (clip, where) => setPasted({ text: clip, target: where }), said: setSaid });

  const onKeyDown = useAddLineKeys({
    text,
    words,
    found,
    noteKey: adding.noteKey,
    add,
    escape: () => {
      if (text === '' && target.kind !== 'section')
        setTarget({ kind: 'section', sectionId: work.document.sections[0]!.id });
      emptied();
      found.giveUp();
    },
  });

  const where = placeInWords(target, section);
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
      />
      <span className="soft add-where">{said || where}</span>
      <AddActs
        typed={text.trim() !== ''}
        wordless={words === ''}
        add={() => add(false, found.pickedFor(text))}
        own={() => add(true, null)}
        often={() => {
          toField();
          found.look('');
        }}
        browse={() => setBrowsing(true)}
      />
      <span className="add-keys soft" aria-hidden="true">
        <kbd>↵</kbd> add <kbd>↓</kbd> next <kbd>⇧↵</kbd> own line
      </span>
      <span className="visually-hidden" role="status">
        {said}
      </span>
      <AddDialogs
        section={section}
        browsing={browsing}
        pasted={pasted}
        adding={adding}
        close={() => {
          setBrowsing(false);
          setPasted(null);
          toField();
        }}
      />
    </div>
  );
}

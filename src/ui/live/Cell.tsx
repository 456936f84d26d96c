'use client';

import type { KeyboardEvent } from 'react';
import { useLayoutEffect, useRef, useState } from 'react';
import { useLiveText } from './useLiveText';
import './cell.css';

interface CellProps {
  /** Names the cell for people and for moving: `quantity`, `price` … */
  readonly name: string;
  readonly label: string;
  /** What stands there when nobody types. */
  readonly shown: string;
  /** What stands there while typing; `shown` when left out. */
  readonly typed?: string;
  readonly placeholder?: string;
  readonly align?: 'right';
  readonly mark?: 'typed' | 'open' | 'follows' | undefined;
  readonly readOnly?: boolean;
  /** Where Enter goes instead of the cell below. */
  readonly onEnter?: () => void;
  /** Takes the text; what it throws is shown at the cell and nothing changes. */
  readonly commit: (text: string) => void;
}

/** Moves the focus to the same cell of the row above or below. */
export function moveInColumn(from: HTMLElement, name: string, by: 1 | -1): void {
  const cells = [...document.querySelectorAll<HTMLElement>(`[data-cell="${name}"]`)];
  const next = cells[cells.indexOf(from) + by];
  const beyond = by === 1 ? document.getElementById('add-line') : null;
  if (next) next.focus();
  else if (beyond) beyond.focus();
  // Nowhere to go: what was typed is taken all the same.
  else from.blur();
}

/** One cell of the sheet: edits in place, Enter and the arrows move as in a spreadsheet, Escape takes back. */
export function Cell({
  name,
  label,
  shown,
  typed,
  placeholder,
  align,
  mark,
  readOnly = false,
  onEnter,
  commit,
}: CellProps) {
  const before = typed ?? shown;
  const { text, dirty, change, leave, cancel } = useLiveText(before, commit);
  // The text as it is typed, which stands in the cell while nobody has changed it yet.
  const [entering, setEntering] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const entered = useRef(false);
  const byPointer = useRef(false);
  // What is typed next replaces what stands there, also where another text was put in on the way in.
  useLayoutEffect(() => {
    if (!entered.current) return;
    entered.current = false;
    field.current?.select();
  });

  const finish = () => {
    setEntering(null);
    const trouble = leave();
    setWrong(trouble === null ? null : `${trouble} It stays at ${shown || 'empty'}.`);
  };

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    const field = event.currentTarget;
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    if (event.key === 'Enter' && !event.shiftKey && onEnter) {
      event.preventDefault();
      onEnter();
    } else if (event.key === 'Enter' || event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      moveInColumn(
        field,
        name,
        event.key === 'ArrowUp' || (event.key === 'Enter' && event.shiftKey) ? -1 : 1,
      );
    } else if (event.key === 'Escape') {
      cancel();
      setEntering(null);
      setWrong(null);
    }
  };

  return (
    <span className="cell-hold">
      <input
        ref={field}
        className={`cell ${align === 'right' ? 'cell-right' : ''} ${mark ? `cell-${mark}` : ''} ${wrong ? 'cell-wrong' : ''}`}
        data-cell={name}
        data-dirty={dirty ? '' : undefined}
        aria-label={label}
        aria-invalid={wrong ? true : undefined}
        placeholder={placeholder}
        readOnly={readOnly}
        value={text ?? entering ?? shown}
        autoComplete="off"
        spellCheck={false}
        onFocus={(event) => {
          const here = event.currentTarget;
          here.select();
          if (!readOnly && typed !== undefined && typed !== shown) {
            entered.current = true;
            setEntering(typed);
          }
          // A click sets the caret after the focus; whoever came by key may be typing already.
          if (byPointer.current) requestAnimationFrame(() => here.select());
          byPointer.current = false;
        }}
        onPointerDown={() => {
          byPointer.current = document.activeElement !== field.current;
        }}
        onChange={(event) => change(event.target.value)}
        onBlur={finish}
        onKeyDown={onKeyDown}
      />
      {wrong && (
        <span role="alert" className="cell-error">
          {wrong}
        </span>
      )}
    </span>
  );
}

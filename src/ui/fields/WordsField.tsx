'use client';

import { Input } from 'antd';
import { useState } from 'react';

const split = (text: string): string[] => text.split(/\s+/).filter(Boolean);

/** A field of single words with spaces between them. What is being typed stands as it is typed, the space at its end too. */
export function WordsField({
  label,
  words,
  most,
  readOnly,
  change,
}: {
  readonly label: string;
  readonly words: readonly string[];
  /** How many are taken. */
  readonly most: number;
  readonly readOnly: boolean;
  readonly change: (words: string[]) => void;
}) {
  const [text, setText] = useState(words.join(' '));
  const typed = split(text);
  // What others put there replaces the text; what the text itself says does not.
  const shown = typed.slice(0, most).join(' ') === words.join(' ') ? text : words.join(' ');
  const tooMany = split(shown).length - most;
  return (
    <label className="recipe-field">
      {label}
      <Input
        value={shown}
        readOnly={readOnly}
        onChange={({ target }) => {
          setText(target.value);
          change(split(target.value).slice(0, most));
        }}
      />
      {tooMany > 0 && (
        <span className="wrong" role="alert">
          At most {most} words are kept; the last {tooMany === 1 ? 'one is' : `${tooMany} are`} left out.
        </span>
      )}
    </label>
  );
}

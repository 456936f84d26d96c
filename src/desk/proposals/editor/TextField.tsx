'use client';

import { Input } from 'antd';
import { useState } from 'react';
import { useLiveText } from '@/ui/live/useLiveText';

/** A text of the document in work, of one line or several: written as it is typed. */
export function TextField({
  value,
  commit,
  label,
  rows,
  readOnly = false,
  placeholder,
}: {
  readonly value: string;
  /** Takes the text; what it throws is shown below the field. */
  readonly commit: (text: string) => void;
  /** Where no label stands around it. */
  readonly label?: string;
  /** At least so many rows; left out: one line. */
  readonly rows?: number;
  readonly readOnly?: boolean;
  readonly placeholder?: string;
}) {
  const { text, change, leave } = useLiveText(value, commit, { keepWrong: true });
  const [wrong, setWrong] = useState<string | null>(null);
  const shared = {
    readOnly,
    'aria-label': label,
    'aria-invalid': wrong === null ? undefined : true,
    placeholder,
    value: text ?? value,
    onChange: ({ target }: { target: { value: string } }) => change(target.value),
    onBlur: () => setWrong(leave()),
  };
  return (
    <>
      {rows === undefined ? (
        <Input {...shared} />
      ) : (
        <Input.TextArea {...shared} rows={rows} autoSize={{ minRows: rows }} />
      )}
      {wrong !== null && (
        <span role="alert" className="wrong">
          {wrong} It is not saved.
        </span>
      )}
    </>
  );
}

'use client';

import type { ButtonProps } from 'antd';
import { Button, Upload } from 'antd';
import type { ReactNode } from 'react';
import { useEffect, useRef } from 'react';

interface Taking {
  /** What can be chosen, as for `accept` of a file input. On a phone, pictures may come from the camera. */
  readonly accept: string;
  readonly take: (file: File) => void;
  /** What the field is called, for who does not see it. */
  readonly label: string;
  /** Several at once; each is taken by itself. */
  readonly many?: boolean;
}

/** How a file is handed over: nothing is uploaded by the field itself. */
const handing = ({ accept, take, label, many = false }: Taking) => ({
  accept,
  multiple: many,
  showUploadList: false,
  'aria-label': label,
  beforeUpload: (file: File) => {
    take(file);
    return false;
  },
});

/** A button that takes a file. */
export const FileButton = ({
  children,
  accept,
  take,
  label,
  ...button
}: Taking & ButtonProps & { readonly children: ReactNode }) => (
  <Upload {...handing({ accept, take, label })}>
    <Button {...button}>{children}</Button>
  </Upload>
);

/** A place that takes a file: chosen, dropped on it, or pasted while it is on the screen. */
export function FileDrop({ children, ...taking }: Taking & { readonly children: ReactNode }) {
  const { take, many = false } = taking;
  const now = useRef(take);
  useEffect(() => {
    now.current = take;
  });
  useEffect(() => {
    const onPaste = ({ clipboardData }: ClipboardEvent) => {
      // Cells copied from a spreadsheet come with a picture of themselves: that is no file somebody chose.
      if (clipboardData === null || clipboardData.types.includes('text/plain')) return;
      for (const file of [...clipboardData.files].slice(0, many ? undefined : 1)) now.current(file);
    };
    window.addEventListener('paste', onPaste);
    return () => window.removeEventListener('paste', onPaste);
  }, [many]);
  return <Upload.Dragger {...handing(taking)}>{children}</Upload.Dragger>;
}

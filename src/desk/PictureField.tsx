'use client';

import { PictureOutlined } from '@ant-design/icons';
import { App } from 'antd';
import { useRef } from 'react';
import { keepPicture } from './keepPicture';
import './pictureField.css';

interface PictureFieldProps {
  /** What it is a picture of. */
  readonly of: string;
  readonly picture: string | undefined;
  readonly put: (picture: string | null) => void;
  readonly readOnly: boolean;
}

/** A picture for the customer; a press on it puts another, Delete takes it away. */
export function PictureField({ of, picture, put, readOnly }: PictureFieldProps) {
  const { message } = App.useApp();
  const field = useRef<HTMLInputElement>(null);
  const take = async (file: File) => {
    try {
      put((await keepPicture(file)).id);
    } catch (error) {
      message.error((error as Error).message);
    }
  };
  return (
    <>
      <input
        ref={field}
        type="file"
        className="picture-file"
        hidden
        accept="image/png,image/jpeg,image/webp"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          target.value = '';
          if (file) void take(file);
        }}
      />
      <button
        type="button"
        className="picture-button"
        disabled={readOnly}
        title={picture ? 'Another picture; Delete takes it away' : 'Add a picture'}
        aria-label={`${picture ? 'Another picture' : 'Add a picture'} of ${of}`}
        onClick={() => field.current?.click()}
        onKeyDown={({ key }) => key === 'Delete' && picture && put(null)}
      >
        {picture ? (
          // eslint-disable-next-line @next/next/no-img-element -- small already, and served by us
          <img src={`/api/v1/files/${picture}?small`} alt="" />
        ) : (
          <PictureOutlined aria-hidden="true" />
        )}
      </button>
    </>
  );
}

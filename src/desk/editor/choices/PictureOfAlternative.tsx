'use client';

import { PictureOutlined } from '@ant-design/icons';
import { App } from 'antd';
import { useRef } from 'react';
import { setAlternativePicture } from '@/core/editing';
import type { Alternative, Question } from '@/model';
import { keepPicture } from '../../keepPicture';
import { useEditor } from '../context';

/** The picture of an alternative for the customer; a press on it puts another, Delete takes it away. */
export function PictureOfAlternative({
  question,
  alternative,
}: {
  question: Question;
  alternative: Alternative;
}) {
  const { work, readOnly } = useEditor();
  const { message } = App.useApp();
  const field = useRef<HTMLInputElement>(null);
  const put = (picture: string | null) =>
    work.edit((draft) => setAlternativePicture(draft, question.id, alternative.id, picture));
  const take = async (file: File) => {
    try {
      put((await keepPicture(file)).id);
    } catch (error) {
      message.error((error as Error).message);
    }
  };
  const { picture } = alternative;
  return (
    <>
      <input
        ref={field}
        type="file"
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
        aria-label={`${picture ? 'Another picture' : 'Add a picture'} of ${alternative.name}`}
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

'use client';

import { DeleteOutlined } from '@ant-design/icons';
import { Alert, App, Button, Drawer, Empty, Input, Skeleton } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { StagePhoto } from '@/services/agreements/stagePhotos';
import { showInstant } from '@/ui/instants';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';
import { FileDrop } from '@/ui/fields/FileField';
import { PHONE, useNarrow } from '@/ui/screen/useScreenWidth';
import { keepPicture } from '../../keepPicture';
import type { ReportedStage } from './useStageReports';

export interface PhotoActions {
  readonly read: (input: { agreementId: string; stage: string }) => Promise<Answer<StagePhoto[]>>;
  readonly add: (input: {
    agreementId: string;
    stage: string;
    fileId: string;
  }) => Promise<Answer<{ id: string }>>;
  readonly caption: (input: { id: string; caption: string }) => Promise<Answer<void>>;
  readonly remove: (input: { id: string }) => Promise<Answer<void>>;
}

/** One photo: what it shows is typed below it. */
function Photo({
  photo,
  timeZone,
  caption,
  remove,
}: {
  readonly photo: StagePhoto;
  readonly timeZone: string;
  readonly caption: (text: string) => void;
  readonly remove: () => void;
}) {
  const [text, setText] = useState(photo.caption);
  return (
    <li>
      <a href={`/api/v1/files/${photo.fileId}`} target="_blank" rel="noreferrer">
        {/* eslint-disable-next-line @next/next/no-img-element -- small already, and served by us */}
        <img src={`/api/v1/files/${photo.fileId}?small`} alt={photo.caption || photo.name} loading="lazy" />
      </a>
      <Input
        size="small"
        maxLength={200}
        placeholder="What it shows"
        aria-label={`What ${photo.name} shows`}
        value={text}
        onChange={({ target }) => setText(target.value)}
        onBlur={() => text.trim() !== photo.caption && caption(text.trim())}
        onPressEnter={({ currentTarget }) => currentTarget.blur()}
      />
      <span className="soft">
        {showInstant(photo.addedAt, timeZone)}, {photo.addedBy}
      </span>
      <Button
        size="small"
        type="text"
        icon={<DeleteOutlined />}
        aria-label={`Remove ${photo.name}`}
        onClick={remove}
      />
    </li>
  );
}

/** The photos of a stage: chosen, dropped, pasted, or taken with the camera of a phone. */
export function StagePhotos({
  stage,
  timeZone,
  actions,
  close,
}: {
  readonly stage: ReportedStage;
  readonly timeZone: string;
  readonly actions: PhotoActions;
  readonly close: () => void;
}) {
  const router = useRouter();
  const { message } = App.useApp();
  const narrow = useNarrow(PHONE);
  const [photos, setPhotos] = useState<readonly StagePhoto[] | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [taking, setTaking] = useState(0);
  const line = useRef<Promise<unknown>>(Promise.resolve());
  const of = { agreementId: stage.agreementId, stage: stage.name };
  const read = async () => {
    const answer = await asked(actions.read(of));
    if (answer.ok) setPhotos(answer.value);
    else setWrong(answer.problem.detail);
  };
  const { read: ask } = actions;
  const { agreementId, name } = stage;
  useEffect(() => {
    let gone = false;
    void asked(ask({ agreementId, stage: name })).then((answer) => {
      if (gone) return;
      if (answer.ok) setPhotos(answer.value);
      else setWrong(answer.problem.detail);
    });
    return () => {
      gone = true;
    };
  }, [ask, agreementId, name]);

  const takeOne = async (file: File) => {
    try {
      const { id } = await keepPicture(file);
      const answer = await asked(actions.add({ ...of, fileId: id }));
      if (!answer.ok) setWrong(answer.problem.detail);
      await read();
      router.refresh();
    } catch (error) {
      setWrong(`${file.name}: ${(error as Error).message}`);
    } finally {
      setTaking((count) => count - 1);
    }
  };
  // One after the other: many at once would hold each other up on a slow net.
  const take = (file: File) => {
    setTaking((count) => count + 1);
    setWrong(null);
    line.current = line.current.then(() => takeOne(file));
  };
  return (
    <Drawer open title={`Photos: ${stage.name}`} size={narrow ? '100%' : 560} onClose={close}>
      <div className="stage-photo-drop">
        <FileDrop accept="image/png,image/jpeg,image/webp" label="Add photos" many take={take}>
          {taking > 0 ? `Taking in ${taking} …` : 'Drop or paste photos here, or choose them'}
        </FileDrop>
      </div>
      {wrong && <Alert type="error" title={wrong} className="above" />}
      {photos === null ? (
        wrong === null && <Skeleton active className="above" />
      ) : photos.length === 0 ? (
        <Empty
          className="above"
          image={Empty.PRESENTED_IMAGE_SIMPLE}
          description="No photo yet. They can go with the invoice of this stage."
        />
      ) : (
        <ul className="stage-photos">
          {photos.map((photo) => (
            <Photo
              key={photo.id}
              photo={photo}
              timeZone={timeZone}
              caption={(caption) =>
                void asked(actions.caption({ id: photo.id, caption })).then((answer) =>
                  answer.ok
                    ? setPhotos((now) =>
                        (now ?? []).map((each) => (each.id === photo.id ? { ...each, caption } : each)),
                      )
                    : void message.error(answer.problem.detail),
                )
              }
              remove={() =>
                void asked(actions.remove({ id: photo.id })).then((answer) => {
                  if (!answer.ok) void message.error(answer.problem.detail);
                  void read();
                  router.refresh();
                })
              }
            />
          ))}
        </ul>
      )}
    </Drawer>
  );
}

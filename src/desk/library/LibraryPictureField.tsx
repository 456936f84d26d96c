'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { FileButton } from '@/ui/fields/FileField';
import { TradeDrawing } from '@/ui/TradeDrawing';
import { keepPicture } from '../keepPicture';

/** What an item looks like: a photo of one’s own, or the drawing of its trade. */
export function LibraryPictureField({
  picture,
  trade,
  name,
  readOnly,
  change,
}: {
  readonly picture: string | null;
  readonly trade: string;
  readonly name: string;
  readonly readOnly: boolean;
  readonly change: (picture: string | null) => void;
}) {
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const take = async (file: File) => {
    setBusy(true);
    setTrouble(null);
    try {
      change((await keepPicture(file)).id);
    } catch (error) {
      setTrouble((error as Error).message);
    }
    setBusy(false);
  };
  return (
    <div className="picture-field">
      <span className="picture-frame">
        {picture ? (
          // eslint-disable-next-line @next/next/no-img-element -- small already, and served by us
          <img src={`/api/v1/files/${picture}?small`} alt="" />
        ) : (
          <TradeDrawing trade={trade} name={name} />
        )}
      </span>
      {!readOnly && (
        <span>
          <FileButton
            size="small"
            loading={busy}
            label={`Picture of ${name}`}
            accept="image/png,image/jpeg,image/webp"
            take={(file) => void take(file)}
          >
            {picture ? 'Another picture' : 'Add a picture'}
          </FileButton>{' '}
          {picture && (
            <Button size="small" type="text" onClick={() => change(null)}>
              Remove it
            </Button>
          )}
          {trouble && <div className="wrong">{trouble}</div>}
        </span>
      )}
    </div>
  );
}

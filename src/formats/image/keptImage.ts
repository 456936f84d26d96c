import sharp from 'sharp';

/** What is taken in at most, before it is made smaller. */
export const LARGEST_UPLOAD = 25 * 1024 * 1024;
const LARGEST_KEPT = 10 * 1024 * 1024;
/** Longest side of a kept picture, in pixels. */
const longest = { plan: 4500, picture: 1600 } as const;
const SMALL = 320;
const MOST_PIXELS = 80_000_000;

/** Bytes that are no picture that can be kept, with a sentence. */
export class ImageError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'ImageError';
  }
}

export interface KeptImage {
  readonly mediaType: 'image/png' | 'image/jpeg';
  readonly width: number;
  readonly height: number;
  readonly bytes: Buffer;
  /** At most 320 pixels a side, as WebP. */
  readonly small: Buffer;
}

/**
 * Reads a picture and writes it anew: what is kept is a plain PNG or JPEG, upright, without anything else that a file can
 * carry (where a photo was taken, say), at most 4,500 pixels a side for a plan and 1,600 for a picture of an item.
 *
 * @throws ImageError for bytes that are no PNG, JPEG or WebP, or too large
 */
export async function keptImage(bytes: Uint8Array, kind: 'plan' | 'picture'): Promise<KeptImage> {
  if (bytes.length > LARGEST_UPLOAD) throw new ImageError('At most 25 MB are taken.');
  const source = () => sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
  let format: string | undefined;
  try {
    format = (await source().metadata()).format;
  } catch {
    throw new ImageError('This is no picture that can be read. PNG, JPEG, WebP and PDF are.');
  }
  if (format !== 'png' && format !== 'jpeg' && format !== 'webp')
    throw new ImageError('This is no picture that can be read. PNG, JPEG, WebP and PDF are.');
  try {
    const side = longest[kind];
    const upright = source()
      .rotate()
      .resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' });
    const drawn = format === 'png' && kind === 'plan';
    let mediaType: KeptImage['mediaType'] = drawn ? 'image/png' : 'image/jpeg';
    const jpeg = () =>
      upright.clone().jpeg({ quality: 85, mozjpeg: true }).toBuffer({ resolveWithObject: true });
    let written = drawn
      ? await upright.clone().png({ compressionLevel: 9 }).toBuffer({ resolveWithObject: true })
      : await jpeg();
    if (written.data.length > LARGEST_KEPT && drawn) {
      written = await jpeg();
      mediaType = 'image/jpeg';
    }
    if (written.data.length > LARGEST_KEPT) throw new ImageError('This picture is too large to keep.');
    const small = await sharp(written.data)
      .resize({ width: SMALL, height: SMALL, fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 78 })
      .toBuffer();
    return { mediaType, width: written.info.width, height: written.info.height, bytes: written.data, small };
  } catch (error) {
    if (error instanceof ImageError) throw error;
    throw new ImageError('This picture is damaged or has too many pixels.');
  }
}

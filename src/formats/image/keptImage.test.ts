import sharp from 'sharp';
import { keptImage } from './keptImage';

const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#884422' } });

describe('pictures that are kept', () => {
  test('a photo is turned upright and tells nothing of where it was taken', async () => {
    const taken = await picture(60, 40)
      .withExif({ IFD3: { GPSLatitude: '51/1 30/1 0/1', GPSLatitudeRef: 'N' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    expect((await sharp(taken).metadata()).orientation).toBe(6);
    const kept = await keptImage(taken, 'picture');
    expect([kept.mediaType, kept.width, kept.height]).toEqual(['image/jpeg', 40, 60]);
    const { exif, orientation } = await sharp(kept.bytes).metadata();
    expect([exif, orientation]).toEqual([undefined, undefined]);
  });

  test('a drawn plan stays without loss; what is behind it turns white', async () => {
    const drawn = await sharp({
      create: { width: 30, height: 20, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } },
    })
      .png()
      .toBuffer();
    const kept = await keptImage(drawn, 'plan');
    expect([kept.mediaType, kept.width, kept.height]).toEqual(['image/png', 30, 20]);
    const { data } = await sharp(kept.bytes).raw().toBuffer({ resolveWithObject: true });
    expect([...data.subarray(0, 3)]).toEqual([255, 255, 255]);
    expect((await sharp(kept.small).metadata()).format).toBe('webp');
  });

  test('large ones are made smaller, each kind to its own side', async () => {
    const large = await picture(6000, 3000).png().toBuffer();
    expect(await keptImage(large, 'plan')).toMatchObject({ width: 4500, height: 2250 });
    expect(await keptImage(large, 'picture')).toMatchObject({ width: 1600, height: 800 });
  });

  test.each([
    ['words', Buffer.from('not a picture'), 'no picture that can be read'],
    [
      'a drawing that can carry scripts',
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script/></svg>'),
      'no picture',
    ],
    ['nothing', Buffer.alloc(0), 'no picture'],
    ['more than 25 MB', Buffer.alloc(26 * 1024 * 1024), 'At most 25 MB'],
  ])('%s is refused', async (_, bytes, words) => {
    await expect(keptImage(bytes, 'plan')).rejects.toThrow(words);
  });

  test('a picture that is cut off is refused, not half kept', async () => {
    const whole = await picture(400, 400).png({ compressionLevel: 0 }).toBuffer();
    await expect(keptImage(whole.subarray(0, whole.length / 2), 'plan')).rejects.toThrow('damaged');
  });

  test('a bomb of pixels is refused before it is unpacked', async () => {
    const bomb = await sharp({ create: { width: 16_000, height: 16_000, channels: 3, background: '#fff' } })
      .png({ compressionLevel: 9 })
      .toBuffer();
    expect(bomb.length).toBeLessThan(5_000_000);
    await expect(keptImage(bomb, 'plan')).rejects.toThrow(/picture/);
  });
});

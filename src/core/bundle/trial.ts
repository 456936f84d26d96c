import type { Bundle, BundleMakeup, Space } from '@/model';
import { surroundingsOf } from '../space';
import type { SizedBundle } from './size';
import { sizeMakeup } from './size';

/** A room to try a bundle in: 12 by 16 ft, 8 ft high. */
export const sampleSpace: Space = {
  shape: { kind: 'rectangle', length: { value: '16' }, width: { value: '12' } },
  height: { value: '8' },
  openings: [],
};

export type Trial = Partial<Pick<Bundle, 'values' | 'grade'>> & Pick<Bundle, 'name' | 'detail'>;

/** What a bundle of the library comes to with sample inputs, in the sample room or, where wished, without a space. */
export function tryBundle(
  makeup: BundleMakeup,
  trial: Trial,
  space: Space | undefined = sampleSpace,
): SizedBundle {
  return sizeMakeup({ ...makeup, values: {}, changes: {}, added: [], ...trial }, surroundingsOf(space), '');
}

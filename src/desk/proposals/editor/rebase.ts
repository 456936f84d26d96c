import type { JsonPatchStep } from '@/core/editing';

const isListStep = ({ op, path }: JsonPatchStep) => op !== 'replace' && /\/\d+$/.test(path);

const touches = (one: string, other: string) =>
  one === other || one.startsWith(`${other}/`) || other.startsWith(`${one}/`);

/**
 * May my steps be put on top of theirs as they are? Only when neither moves places in a list the other's steps count in,
 * and no step touches what the other's does.
 */
export function canRebase(mine: readonly JsonPatchStep[], theirs: readonly JsonPatchStep[]): boolean {
  const list = (path: string) => path.replace(/\/\d+$/, '/');
  return mine.every((my) =>
    theirs.every((their) => {
      if (isListStep(their) && my.path.startsWith(list(their.path))) return false;
      if (isListStep(my) && their.path.startsWith(list(my.path))) return false;
      return !touches(my.path, their.path);
    }),
  );
}

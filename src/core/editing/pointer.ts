/*
 * JSON Patch (RFC 6902) as the desk sends it. immer speaks of paths as lists; the standard writes them as JSON Pointers
 * (RFC 6901), where "~" is "~0" and "/" is "~1".
 */

export interface JsonPatchStep {
  readonly op: 'add' | 'remove' | 'replace';
  readonly path: string;
  readonly value?: unknown;
}

interface PathStep {
  readonly op: 'add' | 'remove' | 'replace';
  readonly path: readonly (string | number)[];
  readonly value?: unknown;
}

/** Writes steps with list paths as RFC 6902. */
export function toJsonPatch(steps: readonly PathStep[]): JsonPatchStep[] {
  return steps.map(({ op, path, value }) => {
    const pointer = path.map((key) => `/${String(key).replace(/~/g, '~0').replace(/\//g, '~1')}`).join('');
    return op === 'remove' ? { op, path: pointer } : { op, path: pointer, value };
  });
}

/** Reads RFC 6902 steps as list paths; digits become positions, as they only occur inside lists here. */
export function fromJsonPatch(
  steps: readonly JsonPatchStep[],
): { op: PathStep['op']; path: (string | number)[]; value?: unknown }[] {
  return steps.map(({ op, path, value }) => {
    const keys = path
      .split('/')
      .slice(1)
      .map((key) => key.replace(/~1/g, '/').replace(/~0/g, '~'))
      .map((key) => (/^(0|[1-9]\d*)$/.test(key) ? Number(key) : key));
    return op === 'remove' ? { op, path: keys } : { op, path: keys, value };
  });
}

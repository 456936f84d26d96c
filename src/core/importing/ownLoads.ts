import type { CostType, Load } from '@/model';
import { costTypes } from '@/model';
import { RowError, readNumber } from './cells';

const kinds = ['overhead', 'profit', 'bond', 'contingency', 'commission'] as const;
const bases = ['direct', 'running', 'price'] as const;
const wanted = 'Markup is written “overhead 10 direct; profit 15 running”, or “none”.';

/** Loads as text: `overhead 10 direct; profit "Small jobs" 15 running on labour`; without any, `none`. */
export function writeLoads(loads: readonly Load[]): string {
  if (loads.length === 0) return 'none';
  return loads
    .map(({ kind, name, percent, base, costTypes: on }) =>
      [
        kind,
        ...(name.toLowerCase() === kind ? [] : [`"${name.replace(/"/g, "'")}"`]),
        percent,
        base,
        ...(on ? ['on', ...on] : []),
      ].join(' '),
    )
    .join('; ');
}

/**
 * Reads loads as {@link writeLoads} writes them; an empty cell is none of its own.
 * @throws RowError in words
 */
export function readLoads(cell: string): Load[] | undefined {
  const text = cell.trim();
  if (text === '') return undefined;
  if (text.toLowerCase() === 'none') return [];
  // Divided at semicolons, but not within a name.
  const parts = text.match(/(?:[^;"]|"[^"]*")+/g);
  if (!parts) throw new RowError(wanted);
  return parts.map((part, i): Load => {
    const found = /^\s*(\w+)\s+(?:"([^"]{1,200})"\s+)?(\S+)\s+(\w+)(?:\s+on\s+([\w\s]+))?\s*$/.exec(part);
    const kind = kinds.find((each) => each === found?.[1]?.toLowerCase());
    const base = bases.find((each) => each === found?.[4]?.toLowerCase());
    if (!found || !kind || !base) throw new RowError(wanted);
    const on = found[5]?.trim().split(/\s+/);
    if (on?.some((type) => !(costTypes as readonly string[]).includes(type))) throw new RowError(wanted);
    const percent = readNumber('A markup', found[3])!;
    if (!/^\d{1,3}(\.\d{1,4})?$/.test(percent)) throw new RowError('A markup is a percentage up to 999.');
    return {
      id: `${kind}-${i + 1}`,
      name: found[2] ?? `${kind[0]!.toUpperCase()}${kind.slice(1)}`,
      kind,
      percent,
      base,
      ...(on ? { costTypes: on as CostType[] } : {}),
    };
  });
}

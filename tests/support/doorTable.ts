import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { Permission } from '@/model';
import type { Actor } from '@/services/actor';

/** A door of the services: how it is called, and what opens it: one of each group. */
export interface Door {
  readonly door: string;
  readonly all: readonly (readonly Permission[])[];
  readonly act: (actor: Actor) => Promise<unknown>;
}

/** Asks a door as somebody, with nothing it could do anything with. */
async function ask(door: string, actor: Actor): Promise<unknown> {
  const [module, name] = door.split(' ') as [string, string];
  const acts = (await import(`@/services/${module}`)) as Record<string, (...given: unknown[]) => unknown>;
  return acts[name]!(actor, {}, {}, {}, {});
}

/** The table of the published page on permissions. */
export const doorTable: readonly Door[] = readFileSync(
  path.join(process.cwd(), 'docs', 'formats', 'permissions.md'),
  'utf8',
)
  .split('\n')
  .flatMap((line) => {
    const row = /^\| `([^`]+)`\s*\| ([^|]+?)\s*\|$/.exec(line);
    if (!row) return [];
    const [, door, needs] = row as unknown as [string, string, string];
    const all = needs.split('&').map((some) => some.split(',').map((each) => each.trim() as Permission));
    return [{ door, all, act: (actor: Actor) => ask(door, actor) }];
  });

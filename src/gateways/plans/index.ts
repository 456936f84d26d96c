import { readFile } from 'node:fs/promises';
import path from 'node:path';

/*
 * Two drawn plans to try measuring on, standing in for what an architect or a surveyor would send. Both are drawn at 40
 * pixels to the foot; the drawings are beside this file as SVG, and `npm run plans` makes the pictures of them.
 */

export const samplePlans = [
  { key: 'rear-porch', name: 'Rear of house, ground floor' },
  { key: 'attic', name: 'Attic floor' },
] as const;

/** A sample plan as PNG; null for a key that names none. */
export async function samplePlan(key: string): Promise<{ name: string; bytes: Uint8Array } | null> {
  const known = samplePlans.find((plan) => plan.key === key);
  if (!known) return null;
  const file = path.join(process.cwd(), 'src', 'gateways', 'plans', `${known.key}.png`);
  return { name: known.name, bytes: await readFile(file) };
}

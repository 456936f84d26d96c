import type { Amount } from '../number';
import type { Figures, SectionLine } from '../price';
import type { Section, SectionEntry } from '@/model';

/** What lines can be gathered by, without leaving the sections they stand in. */
export type Grouping = 'room' | 'phase' | 'trade' | 'costCode';

/**
 * The room, phase or trade of an entry: its own, else its section's; a section with a space is a room itself, and a trade
 * comes from the item. Empty when there is none.
 */
export function groupOf(entry: SectionEntry, section: Omit<Section, 'entries'>, by: Grouping): string {
  if (entry.kind === 'question') {
    const first = entry.alternatives[0]?.lines[0];
    return first ? groupOf(first, section, by) : '';
  }
  if (by === 'phase') return entry.phase ?? section.phase ?? '';
  if (by === 'room') return entry.room ?? section.room ?? (section.space ? section.title : '');
  if (by === 'trade') return entry.trade ?? '';
  return entry.kind === 'line' ? (entry.costCode ?? '') : '';
}

export interface GroupFigures {
  readonly name: string;
  readonly cost: Amount;
  readonly net: Amount;
  readonly lines: readonly SectionLine[];
}

/**
 * The lines taken in, gathered by a room, a phase, a trade or a cost code; parts of bundles go by their own cost code and
 * trade, and by the room and phase of their bundle. Sums are before the discounts on sections and on the whole. In the order the
 * groups first occur.
 */
export function groupFigures(figures: Figures, by: Grouping): GroupFigures[] {
  const groups = new Map<string, { cost: bigint; net: bigint; lines: SectionLine[] }>();
  for (const { section, lines } of figures.sections)
    for (const line of lines) {
      if (!line.included) continue;
      const name =
        line.bundle && (by === 'phase' || by === 'room')
          ? groupOf(line.bundle, section, by)
          : groupOf(line.line, section, by);
      const group = groups.get(name) ?? { cost: 0n, net: 0n, lines: [] };
      group.cost += line.costAmount;
      group.net += line.net;
      group.lines.push(line);
      groups.set(name, group);
    }
  return [...groups].map(([name, { cost, net, lines }]) => ({
    name,
    cost: cost as Amount,
    net: net as Amount,
    lines,
  }));
}

/** The trade most of the price is in, before discounts; empty where there is none. */
export function mainTrade(figures: Figures): string {
  let most: GroupFigures | undefined;
  for (const group of groupFigures(figures, 'trade')) if (!most || group.net > most.net) most = group;
  return most?.name ?? '';
}

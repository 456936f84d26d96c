import type { RoomFigures } from '@/core/price';
import type { ProposalDocument } from '@/model';

/** How many sections are named before the rest is counted. */
const NAMED = 3;

/** Who follows a room, in words: its sections by their titles, then how many lines name it; empty where nobody does. */
export function followersInWords(
  { sections, entries }: Pick<RoomFigures, 'sections' | 'entries'>,
  document: ProposalDocument,
): string {
  const titles = sections.map((id) => document.sections.find((section) => section.id === id)?.title ?? '');
  const more = titles.length - NAMED;
  const named = [...titles.slice(0, NAMED), ...(more > 0 ? [`${more} more sections`] : [])];
  if (entries.length > 0) named.push(entries.length === 1 ? '1 line' : `${entries.length} lines`);
  return named.length < 2 ? named.join('') : `${named.slice(0, -1).join(', ')} and ${named.at(-1)!}`;
}

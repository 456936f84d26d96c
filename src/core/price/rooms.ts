import { memoByIdentity } from '../collections/memoByIdentity';
import type { ProposalDocument, Room, Section } from '@/model';
import type { Fixed } from '../number';
import type { Measured, ReadSpace } from '../space';
import { readSpace, roomBehind } from '../space';
import { partsOf } from './decided';
import type { SectionFigures } from './section';

/** A room with a size, and who follows it. */
export interface RoomFigures {
  readonly room: Room;
  readonly space: ReadSpace;
  /** Ids of the sections that are sized by it, in their order. */
  readonly sections: readonly string[];
  /** Ids of the entries that name it, those of alternatives among them, in their order. */
  readonly entries: readonly string[];
}

/** The rooms the entries of a section name, each with the ids of those that do. */
const namedIn = memoByIdentity((section: Section): ReadonlyMap<string, readonly string[]> => {
  const named = new Map<string, string[]>();
  for (const { id, room } of section.entries.flatMap(partsOf)) {
    if (room === undefined) continue;
    const ids = named.get(room);
    if (ids) ids.push(id);
    else named.set(room, [id]);
  }
  return named;
});

const none: readonly RoomFigures[] = [];

/**
 * What the rooms of a document come to, in the order they stand there.
 * @param measures what is traced on its plans, feet and square feet
 */
export function roomFigures(
  { rooms, sections }: Pick<ProposalDocument, 'rooms' | 'sections'>,
  measures: readonly Measured[],
): readonly RoomFigures[] {
  if (rooms === undefined || rooms.length === 0) return none;
  return rooms.map((room) => ({
    room,
    space: readSpace(room.space, measures),
    sections: sections
      .filter((section) => roomBehind(rooms, section)?.name === room.name)
      .map(({ id }) => id),
    entries: sections.flatMap((section) => namedIn(section).get(room.name) ?? []),
  }));
}

/**
 * Floor of a proposal: of each section with dimensions of its own, and of each room that something follows, once however
 * many follow it.
 * @returns square feet to three places; null where nothing has a floor
 */
export function floorOf(
  sections: readonly Pick<SectionFigures, 'section' | 'space'>[],
  rooms: readonly RoomFigures[],
): Fixed | null {
  const floors = [
    ...sections.filter(({ section }) => section.space).map(({ space }) => space),
    ...rooms.filter((room) => room.sections.length + room.entries.length > 0).map(({ space }) => space),
  ].flatMap((space) => (space?.figures ? [space.figures.floor] : []));
  return floors.length === 0 ? null : (floors.reduce((sum, floor) => sum + floor, 0n) as Fixed);
}

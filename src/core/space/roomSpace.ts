import { memoByIdentity } from '../collections/memoByIdentity';
import type { Room, Section, Space } from '@/model';

const byName = memoByIdentity(
  (rooms: readonly Room[]): ReadonlyMap<string, Room> => new Map(rooms.map((room) => [room.name, room])),
);

/** The room of this name, where it has a size. */
export const roomNamed = (rooms: readonly Room[] | undefined, name: string | undefined): Room | undefined =>
  rooms === undefined || name === undefined ? undefined : byName(rooms).get(name);

/** What a section is sized by: the room it names, where it has no dimensions of its own. */
export const roomBehind = (
  rooms: readonly Room[] | undefined,
  section: Pick<Section, 'space' | 'room'>,
): Room | undefined => (section.space ? undefined : roomNamed(rooms, section.room));

/**
 * The dimensions a section, or an entry of it, follows. An entry that names a room with a size follows that room, wherever it
 * stands; all else in a section follows the section's own dimensions, or those of the room the section names.
 * @param rooms the rooms of the proposal that have a size
 * @param entry a line or bundle of the section, also within a question
 */
export const spaceOf = (
  rooms: readonly Room[] | undefined,
  section: Pick<Section, 'space' | 'room'>,
  entry?: { readonly room?: string },
): Space | undefined => (roomNamed(rooms, entry?.room) ?? roomBehind(rooms, section))?.space ?? section.space;

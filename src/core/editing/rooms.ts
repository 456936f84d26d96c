import type { ProposalDocument, Space } from '@/model';
import { partsOf } from '../price/decided';
import { fitting } from '../text/fitting';
import { PartGone, sectionOf } from './partGone';

/* Edits of rooms with a size, and of what follows them. A room is named by its name: that of the label on lines and sections. */

/** How many rooms have a size, as their schema says. */
export const MOST_ROOMS = 200;
/** How long a room's name is, as its schema says. */
const LONGEST_NAME = 60;

/** Everything that can name a room: sections, lines and bundles. */
function* namers({ sections }: ProposalDocument): Generator<{ room?: string }> {
  for (const section of sections) {
    yield section;
    for (const entry of section.entries) yield* partsOf(entry);
  }
}

/** The rooms a document names, with or without a size, each once: those with a size first, then as they occur. */
export const roomNames = (document: ProposalDocument): string[] => [
  ...new Set([
    ...(document.rooms ?? []).map(({ name }) => name),
    ...[...namers(document)].flatMap(({ room }) => (room === undefined ? [] : [room])),
  ]),
];

/**
 * Gives a room a size, or another one; a room that had none, or is not there yet, comes last.
 * @param id of the room where it is new
 * @throws Error in words without a name, or where there are too many
 */
export function setRoomSpace(document: ProposalDocument, id: string, name: string, space: Space): void {
  const called = fitting(name, LONGEST_NAME);
  if (called === '') throw new Error('A room needs a name.');
  const rooms = document.rooms ?? [];
  const known = rooms.find((room) => room.name === called);
  if (known) {
    known.space = space;
    return;
  }
  if (rooms.length >= MOST_ROOMS) throw new Error(`A proposal holds the sizes of ${MOST_ROOMS} rooms.`);
  document.rooms = [...rooms, { id, name: called, space }];
}

/** Takes a room’s size away; what names it goes on naming it. */
export function dropRoomSpace(document: ProposalDocument, name: string): void {
  const left = (document.rooms ?? []).filter((room) => room.name !== name);
  if (left.length > 0) document.rooms = left;
  else delete document.rooms;
}

/** Takes a room out: its size, and its name wherever it stands. */
export function removeRoom(document: ProposalDocument, name: string): void {
  dropRoomSpace(document, name);
  for (const named of namers(document)) if (named.room === name) delete named.room;
}

/**
 * Gives a room another name, wherever it is named. Two rooms become one where the other has no size or this one has none.
 * @throws Error in words without a name, or where both have a size
 */
export function renameRoom(document: ProposalDocument, name: string, to: string): void {
  const called = fitting(to, LONGEST_NAME);
  if (called === '') throw new Error('A room needs a name.');
  if (called === name) return;
  const rooms = document.rooms ?? [];
  const sized = rooms.find((room) => room.name === name);
  if (sized && rooms.some((room) => room.name === called))
    throw new Error(`There is a room “${called}” with a size already.`);
  if (sized) sized.name = called;
  for (const named of namers(document)) if (named.room === name) named.room = called;
}

/**
 * Makes the dimensions of a section those of a room others can follow, under the room’s name it has or its title.
 * @param id of the new room
 * @returns the name of the room
 * @throws PartGone where there is no such section, or it has no dimensions of its own
 * @throws Error in words where there are too many rooms
 */
export function shareSpace(document: ProposalDocument, sectionId: string, id: string): string {
  const section = sectionOf(document, sectionId);
  if (!section.space) throw new PartGone(sectionId);
  const base = fitting(section.room ?? section.title, LONGEST_NAME) || 'Room';
  const taken = new Set((document.rooms ?? []).map(({ name }) => name));
  let name = base;
  for (let n = 2; taken.has(name); n += 1) name = `${base.slice(0, LONGEST_NAME - 5)} ${n}`;
  setRoomSpace(document, id, name, section.space);
  followRoom(document, sectionId, name);
  return name;
}

/**
 * Sizes a section by a room: dimensions of its own give way.
 * @throws PartGone where there is no such section
 */
export function followRoom(document: ProposalDocument, sectionId: string, name: string): void {
  const section = sectionOf(document, sectionId);
  delete section.space;
  section.room = name;
}

/**
 * Sizes a section by itself: with the dimensions its room has now, and in that room no more.
 * @throws PartGone where there is no such section
 */
export function leaveRoom(document: ProposalDocument, sectionId: string): void {
  const section = sectionOf(document, sectionId);
  const room = document.rooms?.find(({ name }) => name === section.room);
  if (room) section.space ??= plain(room.space);
  delete section.room;
}

/** A copy that shares nothing, also of what is being edited. */
const plain = (space: Space): Space => JSON.parse(JSON.stringify(space)) as Space;

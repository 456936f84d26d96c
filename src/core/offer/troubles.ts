import type { Figures } from '../price';

/** Something that cannot be computed: it counts as nothing in every total until it is mended. */
export interface Trouble {
  readonly partId: string;
  readonly message: string;
}

/** What of a document cannot be computed: spaces, quantities by formula, inputs and parts of bundles. */
export function troublesOf(figures: Figures): Trouble[] {
  const ofRooms = figures.rooms.flatMap(({ room, space, sections, entries }) =>
    space.trouble === null
      ? []
      : [
          {
            partId: sections[0] ?? entries[0] ?? room.id,
            message: `Size of the room “${room.name}”: ${space.trouble}`,
          },
        ],
  );
  const ofSections = figures.sections.flatMap(({ section, space, lines, bundles }) => [
    ...(section.space && space?.trouble
      ? [{ partId: section.id, message: `Space of “${section.title}”: ${space.trouble}` }]
      : []),
    ...lines.flatMap(({ line, trouble }) =>
      trouble === null ? [] : [{ partId: line.id, message: `Quantity of “${line.description}”: ${trouble}` }],
    ),
    ...[...bundles.values()].flatMap(({ bundle, sized }) =>
      sized.troubles.map(({ place, message }) => ({
        partId: bundle.id,
        message: `“${bundle.name}”, ${place}: ${message}`,
      })),
    ),
  ]);
  return [...ofRooms, ...ofSections];
}

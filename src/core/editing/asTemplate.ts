import type { Measure, ProposalDocument } from '@/model';
import { writeFixed } from '../number';
import { toPlaces } from '../formula';
import { measuresOf } from '../plan';

/** What was traced on the plans of one house, as measures that are typed: their names go on working. */
function typedMeasures(document: ProposalDocument): Measure[] {
  const own = document.measures ?? [];
  const names = new Set(own.map(({ name }) => name));
  const traced = measuresOf(document).filter(({ name }) => !names.has(name));
  return [
    ...own,
    ...traced.map(({ name, kind, value }) => ({
      id: `m-${name}`,
      name,
      kind,
      value: value === null ? '0' : writeFixed(toPlaces(value, 3)),
    })),
  ];
}

/**
 * The document without the plans of one house: what was traced goes on as measures that are typed, and a space that
 * followed an outline is gone, that of a room with the room’s size.
 */
export function withoutPlans(document: ProposalDocument): ProposalDocument {
  const { plans, measures: _, rooms, ...rest } = document;
  if (!plans) return document;
  const measures = typedMeasures(document);
  return {
    ...rest,
    ...(measures.length > 0 ? { measures } : {}),
    ...(rooms ? { rooms: rooms.filter(({ space }) => space.shape.kind !== 'traced') } : {}),
    sections: document.sections.map((section) => {
      if (section.space?.shape.kind !== 'traced') return section;
      const { space: __, ...plain } = section;
      return plain;
    }),
  };
}

/**
 * A document as a template of its trade: without what belongs to one customer (cover note, our note, validity, plans, a tax exemption), its
 * typed quantities marked to be looked at.
 */
export function asTemplate(document: ProposalDocument, title: string): ProposalDocument {
  const {
    coverNote: _,
    internalNote: __,
    validUntil: ___,
    area: ____,
    tax,
    ...rest
  } = withoutPlans(document);
  // Why one customer pays no tax is no business of the next.
  const { exempt: _____, ...terms } = tax ?? {};
  return {
    ...rest,
    ...(Object.keys(terms).length > 0 ? { tax: terms } : {}),
    title,
    sections: rest.sections.map((section) => ({
      ...section,
      entries: section.entries.map((entry) =>
        entry.kind === 'line' && entry.formula === undefined ? { ...entry, quantityOpen: true } : entry,
      ),
    })),
  };
}

import { memoByIdentity } from '../collections/memoByIdentity';
import type { Bundle, Line, Menu, MenuExtra, MenuQuestion, ProposalDocument, Section, Test } from '@/model';
import { sizeBundle } from '../bundle';
import { measuresOf } from '../plan';
import { measuringOf, surroundingsIn } from '../space';
import { NONE } from '../price/decided';
import { withinLevels } from './pieces';

function readMenu(document: ProposalDocument): Menu {
  const extras: MenuExtra[] = [];
  const questions: MenuQuestion[] = [];
  const shared = {
    measures: measuresOf(document),
    rooms: document.rooms,
    measuring: measuringOf(document),
  };
  const nameOf = (entry: Line | Bundle, section: Section) =>
    entry.kind === 'line'
      ? entry.description
      : sizeBundle(entry, surroundingsIn(shared, section, entry)).name;

  for (const section of document.sections) {
    const levels = withinLevels(document, section.id);
    if (section.extra)
      extras.push({ id: section.id, name: section.title, extra: section.extra, when: levels });
    const ofSection: Test[] = [...(section.extra ? [{ extra: section.id }] : []), ...levels];
    const offer = (entry: Line | Bundle, when: readonly Test[]) => {
      if (entry.extra)
        extras.push({
          id: entry.id,
          name: nameOf(entry, section),
          extra: entry.extra,
          when: [...when, ...withinLevels(document, entry.id)],
        });
    };
    for (const entry of section.entries) {
      if (entry.kind !== 'question') {
        offer(entry, ofSection);
        continue;
      }
      const when = [...ofSection, ...withinLevels(document, entry.id)];
      questions.push({
        id: entry.id,
        name: entry.prompt,
        answers: [
          ...entry.alternatives.map(({ id, name }) => ({ id, name })),
          ...(entry.none ? [{ id: NONE, name: entry.none.name }] : []),
        ],
        suggested: entry.suggested,
        until: entry.until ?? null,
        when,
      });
      for (const alternative of entry.alternatives)
        for (const inner of alternative.lines)
          offer(inner, [...when, { question: entry.id, answer: alternative.id }]);
    }
  }
  return {
    extras,
    questions,
    tiers: (document.tiers ?? []).map((tiers) => ({
      id: tiers.id,
      name: tiers.prompt,
      levels: tiers.levels.map(({ id, name }) => ({ id, name })),
      suggested: tiers.suggested,
      until: tiers.until ?? null,
    })),
    rules: document.rules ?? [],
  };
}

/** Everything a customer can decide about a proposal, in the order it stands. Kept by the document's identity. */
export const menuOf = memoByIdentity(readMenu);

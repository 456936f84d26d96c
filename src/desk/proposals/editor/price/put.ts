import type { ProposalDocument } from '@/model';
import { useEditor } from '../context';

/** Puts another state of the proposal's entries in, as one edit that one undo takes back. */
export function usePut(): (next: ProposalDocument) => void {
  const { work } = useEditor();
  const { document } = work;
  return (next) =>
    work.edit((draft) => {
      // Entry by entry, so that what does not move is not touched.
      for (const [s, section] of next.sections.entries())
        for (const [e, entry] of section.entries.entries())
          if (entry !== document.sections[s]!.entries[e])
            draft.sections[s]!.entries[e] = structuredClone(entry);
    });
}

import { useEffect, useRef } from 'react';
import { entryHolding, partsToPaste, putParts } from '@/core/copying';
import { useKeptKey } from '@/ui/kept/KeptFor';
import { inDialog, takesText } from '@/ui/keys/target';
import type { Target } from '../context';
import { newPartId, useEditor, useEditorActions } from '../context';
import { partsOf } from './clipboard';

/** Is it several lines for the sheet, and not a text for the field it is pasted in? */
function forTheSheet(text: string, target: EventTarget | null): boolean {
  if (!text.trim().includes('\n')) return false;
  if (!takesText(target) || target.id === 'add-line') return true;
  // A field of one line cannot hold a table.
  return target.tagName !== 'TEXTAREA' && text.includes('\t');
}

/**
 * Takes what is pasted anywhere on the sheet: rows copied from a proposal go in as what they are, behind what is selected or
 * where new lines go; a table or list from elsewhere is looked over first.
 */
export function usePasting({
  look,
  said,
}: {
  /** Looks over a text from elsewhere. */
  readonly look: (text: string, target: Target) => void;
  /** Says what was done. */
  readonly said: (what: string) => void;
}): void {
  const { proposalId, work, target, selected, setTarget } = useEditor();
  const { reveal } = useEditorActions();
  const key = useKeptKey('copied');
  const now = useRef<(event: ClipboardEvent) => void>(() => undefined);
  useEffect(() => {
    now.current = (event) => {
      const text = event.clipboardData?.getData('text/plain') ?? '';
      if (event.defaultPrevented || inDialog(event.target) || !forTheSheet(text, event.target)) return;
      event.preventDefault();
      // Where it goes is where one was when it was pasted.
      const last = work.document.sections
        .flatMap(({ entries }) => entries)
        .findLast(({ id }) => selected.has(id));
      const inside =
        target.kind === 'question' ? target.questionId : target.kind === 'bundle' ? target.bundleId : null;
      const behind = last ? last.id : inside;
      const place =
        (behind === null ? null : entryHolding(work.document, behind)) ??
        (target.kind === 'section' ? target : null);
      const where: Target = place === null ? target : { kind: 'section', ...place };
      void partsOf(key, text, proposalId).then((parts) => {
        if (parts === null || where.kind !== 'section') return look(text, last ? where : target);
        const pasted = partsToPaste(work.document, parts, newPartId);
        try {
          work.edit((draft) => putParts(draft, where.sectionId, pasted, where.afterId));
        } catch (error) {
          return said((error as Error).message);
        }
        const ends = pasted.entries.at(-1)!;
        if (target.kind === 'section') setTarget({ ...where, afterId: ends.id });
        reveal({ key: ends.id });
        const many = pasted.entries.length;
        said(`${many} ${many === 1 ? 'row' : 'rows'} pasted.`);
      });
    };
  });
  useEffect(() => {
    const take = (event: ClipboardEvent) => now.current(event);
    document.addEventListener('paste', take);
    return () => document.removeEventListener('paste', take);
  }, []);
}

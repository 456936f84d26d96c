import { addSection } from '@/core/editing';
import { newPartId, useEditor, useEditorActions } from './context';

/** Going to sections, and making new ones behind the one that is worked in. */
export function useSections() {
  const { work, target, setTarget } = useEditor();
  const { reveal } = useEditorActions();
  return {
    add: () => {
      const id = newPartId();
      work.edit((draft) =>
        addSection(draft, id, 'New section', target.kind === 'section' ? target.sectionId : undefined),
      );
      setTarget({ kind: 'section', sectionId: id });
      reveal({ key: id, cell: 'description' });
    },
    go: (id: string) => {
      setTarget({ kind: 'section', sectionId: id });
      reveal({ key: id, align: 'start' });
    },
    /** To the title of the next section (1) or the one before (−1), from wherever new lines go now. */
    step: (by: 1 | -1) => {
      const ids = work.document.sections.map(({ id }) => id);
      const at = target.kind === 'section' ? ids.indexOf(target.sectionId) : -1;
      const id = ids[Math.min(ids.length - 1, Math.max(0, at + by))];
      if (id === undefined) return;
      setTarget({ kind: 'section', sectionId: id });
      reveal({ key: id, cell: 'description', align: 'start' });
    },
  };
}

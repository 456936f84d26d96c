import dynamic from 'next/dynamic';
import type { Target } from '../context';
import type { useAdding } from './useAdding';

const BrowseLibraryDialog = dynamic(() =>
  import('../BrowseLibraryDialog').then((module) => module.BrowseLibraryDialog),
);

const PasteDialog = dynamic(() => import('./PasteDialog').then((module) => module.PasteDialog));

/** Several lines pasted at once, and where they go. */
export interface PastedText {
  readonly text: string;
  readonly target: Target;
}

/** The dialogs of the add line: the library to look through, and pasted lines to look over. */
export function AddDialogs({
  section,
  browsing,
  pasted,
  adding,
  close,
}: {
  readonly section: string | undefined;
  readonly browsing: boolean;
  readonly pasted: PastedText | null;
  readonly adding: ReturnType<typeof useAdding>;
  readonly close: () => void;
}) {
  return (
    <>
      {browsing && <BrowseLibraryDialog section={section} close={close} />}
      {pasted !== null && (
        <PasteDialog
          text={pasted.text}
          sectionTitle={adding.titleOf(pasted.target)}
          taxClass={adding.taxClass}
          add={(lines) => adding.put(lines, pasted.target)}
          close={close}
        />
      )}
    </>
  );
}

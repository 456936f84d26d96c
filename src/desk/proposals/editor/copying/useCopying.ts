import { App } from 'antd';
import { useCallback, useEffect, useRef } from 'react';
import { copiedParts, copiedTable } from '@/core/copying';
import { removeEntries } from '@/core/editing';
import { useKeptKey } from '@/ui/kept/KeptFor';
import { inDialog } from '@/ui/keys/target';
import { useEditor, useEditorActions } from '../context';
import { keepCopied } from './clipboard';

/** Is text selected, in a field or on the page? Then that is what is copied. A cell selects all it holds when it is come to. */
function textSelected(): boolean {
  const field = document.activeElement;
  if (!(field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement))
    return (document.getSelection()?.toString() ?? '') !== '';
  const { selectionStart: from, selectionEnd: to, value, dataset } = field;
  if (from === null || from === to) return false;
  return dataset.cell === undefined || dataset.dirty !== undefined || (to ?? 0) - from < value.length;
}

/**
 * Copies or cuts the selected rows, by the keys of the system or by a button: as a table for any spreadsheet, and as what
 * they are for a proposal.
 * @param done after they are cut: nothing is selected any more
 */
export function useCopying(selected: ReadonlySet<string>, done: () => void) {
  const { work, lines, bundles } = useEditor();
  const { columns } = useEditorActions();
  const { message } = App.useApp();
  const key = useKeptKey('copied');
  const now = useRef<(event: ClipboardEvent, cut: boolean) => void>(() => undefined);
  useEffect(() => {
    now.current = (event, cut) => {
      const parts = copiedParts(work.document, selected);
      if (parts.entries.length === 0 || !event.clipboardData) return;
      event.preventDefault();
      const costs = columns.includes('cost');
      const text = copiedTable(work.document, parts.entries, { lines, bundles }, { costs });
      event.clipboardData.setData('text/plain', text);
      if (key !== null) keepCopied(key, { text, parts });
      const ids = parts.entries.map(({ id }) => id);
      if (cut) {
        work.edit((draft) => removeEntries(draft, ids));
        done();
      }
      const many = `${ids.length} ${ids.length === 1 ? 'row' : 'rows'}`;
      void message.success(`${many} ${cut ? 'cut' : 'copied'}. Paste them with Ctrl V.`);
    };
  });
  /** Has the browser ask for what goes on the clipboard: it asks by itself only where text is selected. */
  const put = useCallback((cut: boolean) => {
    const give = (event: ClipboardEvent) => now.current(event, cut);
    document.addEventListener('copy', give, { once: true });
    // The only way that works without a secure address, as in an office's own network.
    document.execCommand('copy');
    document.removeEventListener('copy', give);
  }, []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const key = event.key.toLowerCase();
      if (!(event.ctrlKey || event.metaKey) || event.altKey || event.shiftKey) return;
      if ((key !== 'c' && key !== 'x') || inDialog(event.target) || textSelected()) return;
      event.preventDefault();
      put(key === 'x');
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [put]);
  return { copy: () => put(false) };
}

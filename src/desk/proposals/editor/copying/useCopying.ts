import { App } from 'antd';
import { useEffect, useRef } from 'react';
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
 * Puts a text on the clipboard. The command works also without a secure address, as in an office's own network; where a browser
 * does not take it up, it is asked the other way.
 */
function putOnClipboard(text: string): void {
  let given = false;
  const give = (event: ClipboardEvent) => {
    if (!event.clipboardData) return;
    event.preventDefault();
    event.clipboardData.setData('text/plain', text);
    given = true;
  };
  document.addEventListener('copy', give);
  document.execCommand('copy');
  document.removeEventListener('copy', give);
  if (!given) void navigator.clipboard?.writeText(text).catch(() => undefined);
}

/**
 * Copies or cuts the selected rows, by the keys of the system or by a button: as a table for any spreadsheet, and as what
 * they are for a proposal.
 * @param done after they are cut: nothing is selected any more
 */
export function useCopying(selected: ReadonlySet<string>, done: () => void) {
  const { proposalId, work, lines, bundles } = useEditor();
  const { columns } = useEditorActions();
  const { message } = App.useApp();
  const key = useKeptKey('copied');
  /** The selected rows as a table, kept for the next paste; null where nothing is there any more. */
  const prepare = () => {
    const parts = copiedParts(work.document, selected);
    if (parts.entries.length === 0) return null;
    const costs = columns.includes('cost');
    const text = copiedTable(work.document, parts.entries, { lines, bundles }, { costs });
    if (key !== null) {
      const { pricedAt } = work.document;
      keepCopied(key, { text, parts, from: proposalId, ...(pricedAt ? { prices: pricedAt } : {}) });
    }
    return { text, ids: parts.entries.map(({ id }) => id) };
  };
  const take = (cut: boolean) => {
    const copied = prepare();
    if (copied === null) return;
    putOnClipboard(copied.text);
    const { ids } = copied;
    if (cut) {
      work.edit((draft) => removeEntries(draft, ids));
      done();
    }
    const many = `${ids.length} ${ids.length === 1 ? 'row' : 'rows'}`;
    void message.success(`${many} ${cut ? 'cut' : 'copied'}. Paste them with Ctrl V.`);
  };
  const now = useRef(take);
  useEffect(() => {
    now.current = take;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const key = event.key.toLowerCase();
      if (!(event.ctrlKey || event.metaKey) || event.altKey || event.shiftKey) return;
      if ((key !== 'c' && key !== 'x') || inDialog(event.target) || textSelected()) return;
      event.preventDefault();
      now.current(key === 'x');
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
  return { copy: () => take(false) };
}

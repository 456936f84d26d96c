'use client';

import { Modal } from 'antd';
import { useEffect, useState } from 'react';

const keys: readonly (readonly [what: string, rows: readonly (readonly [string, string])[]])[] = [
  [
    'Adding',
    [
      ['/', 'To the add line'],
      ['↵', 'Add the best match; ↓ picks another'],
      ['Shift ↵', 'Add as a line of its own'],
      ['Ctrl K', 'Find anything: customers, proposals, invoices, what to do'],
      ['Alt N', 'New proposal'],
      ['Alt S', 'New section'],
    ],
  ],
  [
    'Moving about',
    [
      ['Tab, Shift Tab', 'Next and previous cell'],
      ['↵, ↑ ↓', 'Same cell, another row'],
      ['Esc', 'Undo what is typed in the cell'],
      ['Ctrl Z, Ctrl Y', 'Undo, redo'],
      ['Alt P', 'To the plans and back'],
      ['Ctrl ↵', 'Preview and send'],
    ],
  ],
  [
    'On a line or bundle',
    [
      ['Alt ↵', 'Open: details of a line, inputs and parts of a bundle'],
      ['Alt ↑ ↓', 'Move up, down'],
      ['Alt X', 'Make it an extra'],
      ['Alt Q', 'Let the customer pick one of several (a line)'],
      ['Alt A', 'Make it an allowance (a line)'],
      ['Alt C', 'Copy under another name (a bundle)'],
      ['Ctrl Space', 'Select; with Shift up to here'],
      ['Ctrl Del', 'Remove'],
    ],
  ],
  [
    'On a section',
    [
      ['Alt M', 'Its dimensions: length, width, height'],
      ['Alt F', 'Fold'],
      ['Alt X', 'Let the customer leave all of it out'],
      ['Alt C', 'Copy with everything in it'],
      ['Alt ↑ ↓', 'Move up, down'],
    ],
  ],
];

/** The sheet of keys, on `?`. */
export function KeysDialog() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const field = event.target as HTMLElement;
      const typing =
        /^(TEXTAREA|SELECT)$/.test(field.tagName) ||
        (field instanceof HTMLInputElement &&
          (field.dataset.dirty !== undefined || field.dataset.cell === undefined));
      if (
        event.key !== '?' ||
        (typing && field.id !== 'add-line') ||
        (field as HTMLInputElement).value === '?'
      )
        return;
      if (field.id === 'add-line' && (field as HTMLInputElement).value !== '') return;
      event.preventDefault();
      setOpen(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <>
      <button type="button" className="plain-button keys-button" onClick={() => setOpen(true)}>
        Keys <kbd>?</kbd>
      </button>
      <Modal open={open} onCancel={() => setOpen(false)} footer={null} title="Keys" width={720}>
        <div className="keys">
          {keys.map(([what, rows]) => (
            <section key={what}>
              <h3>{what}</h3>
              <dl>
                {rows.map(([key, does]) => (
                  <div key={key}>
                    <dt>
                      <kbd>{key}</kbd>
                    </dt>
                    <dd>{does}</dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
        </div>
      </Modal>
    </>
  );
}

/** A key, or several in one, and what it does. */
type Key = readonly [key: string, does: string];

export interface KeyGroup {
  readonly title: string;
  readonly keys: readonly Key[];
}

const everywhere: KeyGroup = {
  title: 'Everywhere',
  keys: [
    ['Ctrl K', 'Find anything: customers, proposals, invoices, what to do'],
    ['Alt N', 'New proposal'],
    ['Esc', 'Close what is open over the page'],
    ['F1', 'Help with this page'],
    ['?', 'This sheet'],
  ],
};

const proposal: KeyGroup = {
  title: 'In a proposal',
  keys: [
    ['Ctrl Z, Ctrl Y', 'Undo, redo, wherever the focus is'],
    ['Alt PgUp, PgDn', 'Step before, step after'],
    ['Alt S', 'New section'],
    ['Ctrl ↵', 'Preview and send'],
  ],
};

const cells: KeyGroup = {
  title: 'In cells',
  keys: [
    ['Tab, Shift Tab', 'Next and previous cell'],
    ['↵, ↑ ↓', 'Same cell, another row'],
    ['Esc', 'Undo what is typed in the cell'],
  ],
};

const scope: readonly KeyGroup[] = [
  {
    title: 'Adding',
    keys: [
      ['/', 'To the add line'],
      ['↵', 'Add the best match; ↓ picks another'],
      ['Shift ↵', 'Add as a line of its own'],
      ['Alt P', 'To the plans and back'],
    ],
  },
  {
    title: 'On a line or bundle',
    keys: [
      ['Alt ↵', 'Open: details of a line, inputs and parts of a bundle'],
      ['Alt ↑ ↓', 'Move up, down'],
      ['Alt X', 'Make it an extra'],
      ['Alt Q', 'Let the customer pick one of several (a line)'],
      ['Alt A', 'Make it an allowance (a line)'],
      ['Alt C', 'Copy; a bundle under another name'],
      ['Ctrl Space', 'Select; with Shift up to here'],
      ['Ctrl C, Ctrl X', 'Copy or cut what is selected: for a sheet or a spreadsheet'],
      ['Ctrl V', 'Paste rows, or a table or list from elsewhere'],
      ['Ctrl Del', 'Remove'],
    ],
  },
  {
    title: 'On a section',
    keys: [
      ['Ctrl ↑ ↓', 'To the section before, after; from any line'],
      ['Alt M', 'Its dimensions: length, width, height'],
      ['Alt F', 'Fold'],
      ['Alt X', 'Let the customer leave all of it out'],
      ['Alt C', 'Copy with everything in it'],
      ['Alt ↑ ↓', 'Move up, down'],
    ],
  },
];

const lists: KeyGroup = {
  title: 'In a list',
  keys: [
    ['/', 'To the search field'],
    ['Tab', 'Next row; ↵ opens it'],
    ['Space', 'On the box of a row: select it'],
  ],
};

const LISTS =
  /^\/(proposals|customers|library|agreements|money|money\/payments|money\/costs|money\/accountant|outbox)$/;

/** The keys of a place: those that work everywhere, and its own. The step of a proposal stands behind the #. */
export function keysOf(path: string, place: string): readonly KeyGroup[] {
  if (LISTS.test(path)) return [lists, everywhere];
  if (!/^\/proposals\/[0-9a-f-]{36}$/.test(path)) return [everywhere];
  const step = new URLSearchParams(place).get('step') ?? 'scope';
  if (step === 'scope') return [...scope, cells, proposal, everywhere];
  return step === 'send' ? [proposal, everywhere] : [cells, proposal, everywhere];
}

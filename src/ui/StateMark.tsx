'use client';

import { Tag } from 'antd';
import { capital } from '@/core/text/capital';

const kinds: Readonly<Record<string, { readonly sign: string; readonly look: string }>> = {
  draft: { sign: '', look: '' },
  sent: { sign: '→', look: 'state-open' },
  accepted: { sign: '✓', look: 'state-good' },
  declined: { sign: '×', look: 'state-wrong' },
  lapsed: { sign: '', look: '' },
  withdrawn: { sign: '', look: '' },
  issued: { sign: '→', look: '' },
  'part paid': { sign: '½', look: '' },
  paid: { sign: '✓', look: 'state-good' },
  overdue: { sign: '!', look: 'state-wrong' },
  'part credited': { sign: '', look: '' },
  credited: { sign: '', look: '' },
  'not begun': { sign: '', look: '' },
  'under way': { sign: '½', look: '' },
  done: { sign: '✓', look: 'state-good' },
  late: { sign: '!', look: 'state-wrong' },
};

/** The state of a proposal, an invoice or a stage: a word, and a sign so that colour is never alone. */
export function StateMark({ state }: { readonly state: string }) {
  const { sign, look } = kinds[state] ?? { sign: '', look: '' };
  return (
    <Tag variant="outlined" className={`state ${look}`}>
      {sign && <span aria-hidden="true">{sign} </span>}
      {capital(state)}
    </Tag>
  );
}

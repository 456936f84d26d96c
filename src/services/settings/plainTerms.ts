import type { UsualTerms } from '@/model';

/** What a company begins with until its owner says otherwise: a common way to price and bill, and no tax. */
export const plainTerms: UsualTerms = {
  shows: 'sections',
  loads: [
    { id: 'overhead', name: 'Overhead', kind: 'overhead', percent: '10', base: 'direct' },
    { id: 'profit', name: 'Profit', kind: 'profit', percent: '20', base: 'running' },
  ],
  fees: [],
  taxClasses: [{ id: 'standard', name: 'Standard', components: [] }],
  schedule: [
    {
      id: 'deposit',
      name: 'On signing',
      kind: 'deposit',
      share: { percent: '10' },
      due: { on: 'acceptance' },
    },
    {
      id: 'final',
      name: 'On completion',
      kind: 'final',
      share: { rest: true },
      due: { on: 'stage', stage: 'Completion' },
    },
  ],
};

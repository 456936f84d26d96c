import type { CompanyMoney, UsualTerms } from '@/model';
import type { Part } from './ofSubject';
import { ofSubject } from './ofSubject';
import { subjects } from './subjects';

const usual = (terms: string, tax: string, billing?: UsualTerms['billing']): UsualTerms => ({
  ...(billing ? { billing } : {}),
  shows: 'lines',
  terms,
  loads: [],
  fees: [],
  taxClasses: [{ id: 't', name: tax, components: [] }],
  schedule: [],
});
const money = (letter: string, late?: CompanyMoney['late']): CompanyMoney => ({
  presets: [],
  letter,
  ...(late ? { late } : {}),
});
const stored: Part = {
  usual: usual('stored', 'stored'),
  pricing: { loadSets: [], limits: {} },
  money: money('stored', { kind: 'interest' as const, percent: '9', graceDays: 0 }),
  deposit: true,
  validity: '30',
  payment: '14',
};
const typed: Part = {
  usual: usual('typed', 'typed', { deposit: 'advance' }),
  pricing: { loadSets: [], limits: { discount: '5' } },
  money: money('typed'),
  deposit: false,
  validity: '31',
  payment: '15',
};

test('each subject takes what is typed in it, and of the others what is stored', () => {
  expect(ofSubject('proposals', typed, stored)).toEqual({
    ...stored,
    validity: '31',
    usual: usual('typed', 'stored'),
  });
  expect(ofSubject('invoices', typed, stored).usual).toEqual({
    ...stored.usual,
    billing: typed.usual.billing,
  });
  expect(ofSubject('taxes', typed, stored).usual).toEqual({
    ...stored.usual,
    taxClasses: typed.usual.taxClasses,
  });
  expect(ofSubject('pricing', typed, stored)).toEqual({ ...stored, pricing: typed.pricing });
  expect(ofSubject('invoices', typed, stored).money).toEqual({ ...typed.money, late: stored.money.late });
  // What is taken away in it is gone, and nothing else.
  expect(ofSubject('late', typed, stored).money).toEqual({ presets: [], letter: 'stored' });
});

test('between them, the subjects take all of it: nothing that is typed belongs to none', () => {
  const all = subjects.reduce((now, { key }) => ofSubject(key, typed, now), stored);
  expect(all).toEqual(typed);
});

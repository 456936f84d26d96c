import type { ProposalDocument } from '@/model';
import { line, plainDocument } from './documents';

/** Two hundred choices of every kind, tied together by rules here and there. */
export function manyChoices(): ProposalDocument {
  const price = (n: number) => String(100 + ((n * 7919) % 900) + (n % 7) / 100);
  return plainDocument(
    Array.from({ length: 10 }, (_, s) => ({
      id: `s${s}`,
      title: `Section ${s}`,
      ...(s === 3 ? { discount: { percent: '7.5' } } : {}),
      entries: [
        line(`base${s}`, '3', price(s)),
        ...Array.from({ length: 15 }, (_, i) =>
          line(`x${s}-${i}`, '1', price(s * 20 + i), {
            extra: { in: i % 2 === 0 },
            heldPrice: price(s * 31 + i * 3),
          }),
        ),
        ...Array.from({ length: 5 }, (_, i) => ({
          kind: 'question' as const,
          id: `q${s}-${i}`,
          prompt: 'Which?',
          suggested: `a${s}-${i}-0`,
          alternatives: [0, 1, 2].map((n) => ({
            id: `a${s}-${i}-${n}`,
            name: `Way ${n}`,
            lines: [line(`l${s}-${i}-${n}`, '2', price(s * 17 + i * 5 + n))],
          })),
        })),
      ],
    })),
    {
      loads: [{ id: 'p', name: 'Profit', kind: 'profit', percent: '20', base: 'running' }],
      discount: { amount: '250' },
      taxClasses: [{ id: 'taxed', name: 'T', components: [{ id: 'c', name: 'C', percent: '7.625' }] }],
      rules: Array.from({ length: 8 }, (_, i) => ({
        id: `r${i}`,
        when: { extra: `x${i}-1` },
        says: i % 2 === 0 ? ('needs' as const) : ('rules out' as const),
        other: { extra: `x${(i + 3) % 10}-3` },
      })),
    },
  );
}

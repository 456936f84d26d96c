import type { CustomerView } from '@/model/customerView';

/** How the prices on a page are to be read, said once at its head; null where there is no tax to speak of. */
export function basisInWords({
  basis,
  shows,
  change,
}: Pick<CustomerView, 'basis' | 'shows' | 'change'>): string | null {
  switch (basis) {
    case 'before tax':
      return `Prices are before tax; the ${change ? 'sum of this change' : 'total'} includes it.`;
    case 'with tax':
      return shows === 'total' ? 'The price includes tax.' : 'Prices include tax.';
    case 'no tax':
      return null;
  }
}

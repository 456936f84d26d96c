import type { InvoiceShows } from '@/model/billing';

const bundles = {
  agreed: 'bundles as they were offered',
  one: 'each bundle as one line',
  parts: 'bundles by their parts',
} as const;
const codes = { cost: 'cost codes', item: 'item codes', both: 'item and cost codes' } as const;
const kinds = { section: 'section', stage: 'stage', kind: 'kind of work' } as const;

/** A layout of invoices as people read it: “Rows by section, bundles as they were offered.” */
export function layoutInWords(shows: InvoiceShows): string {
  const by = shows.rows === 'none' && shows.summary === undefined ? 'section' : (shows.rows ?? 'section');
  const single = new Set([...Object.keys(shows.each ?? {}), ...Object.keys(shows.eachBundle ?? {})]).size;
  const said = [
    ...(shows.summary ? [`a summary by ${kinds[shows.summary]}`] : []),
    ...(by === 'none' ? ['no rows'] : [`rows by ${by}`, bundles[shows.bundles]]),
    ...(by !== 'none' && shows.unbilled === 'zero' ? ['work not billed shown with nothing'] : []),
    ...(by !== 'none' && shows.codes ? [codes[shows.codes]] : []),
    ...(by !== 'none' && shows.balance ? ['percent and balance'] : []),
    ...(by !== 'none' && single > 0 ? [`${single} ${single === 1 ? 'row' : 'rows'} otherwise`] : []),
  ].join(', ');
  return `${said.charAt(0).toUpperCase()}${said.slice(1)}.`;
}

import type { CopiedParts } from '@/core/copying';
import { withPricesHeld } from '@/core/copying';
import type { PricesGiven } from '@/model';
import { keep, readKept } from '@/ui/kept/store';

/*
 * What is copied of a sheet stands on the clipboard as a table, for any spreadsheet. The parts themselves stay in this
 * browser, under the person's name: what is pasted is taken for them only where it is that table to the letter. So nothing
 * from elsewhere can pass for parts of a proposal, and they go from one proposal to another, also in another tab.
 */

export interface Copied {
  readonly text: string;
  readonly parts: CopiedParts;
  /** The proposal they are from, and the unit prices of it where it was without its costs. */
  readonly from?: string;
  readonly prices?: PricesGiven;
}

/** Line ends differ between systems; some add one at the end. */
const plain = (text: string) => text.replace(/\r\n|\r/g, '\n').replace(/\n+$/, '');

/** Keeps what is copied for the next paste. */
export const keepCopied = (key: string, copied: Copied): void => void keep(key, copied);

/** The parts a pasted text stands for in a proposal, or null: it is a text from elsewhere. */
export async function partsOf(
  key: string | null,
  text: string,
  proposalId: string,
): Promise<CopiedParts | null> {
  const copied = key === null ? undefined : await readKept<Copied>(key);
  if (!copied || plain(copied.text) !== plain(text)) return null;
  return copied.prices && copied.from !== proposalId
    ? withPricesHeld(copied.parts, copied.prices)
    : copied.parts;
}

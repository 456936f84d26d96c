import { loadsOfLine, unitCost } from '../price';
import type { CostPart, ItemInput, LibraryItem, Line, ProposalDocument } from '@/model';
import { costTypes } from '@/model';
import { writeFixed } from '../number';
import { jobFields } from '../bundle';
import { pricedItem } from './lineFromItem';
import { alike } from './mergeOver';
import { setOnThisJob } from './onThisJob';
import { place } from './partGone';

/** A line as an item of the library, and what of it the library cannot hold, in words. */
export interface LineAsItem {
  readonly item: Omit<ItemInput, 'code' | 'trade'>;
  readonly left: readonly string[];
}

/** Costs of a line with a sum typed over them: by type, as the sum is spread over them. */
function costsOf(line: Line): CostPart[] {
  if (line.typedCost === undefined) return line.costs;
  const { byType } = unitCost(line);
  return costTypes.flatMap((type): CostPart[] => {
    if (byType[type] === 0n) return [];
    return type === 'labour'
      ? [{ type, hours: '1', rate: writeFixed(byType[type]) }]
      : [{ type, amount: writeFixed(byType[type]) }];
  });
}

/** Labour at the overtime rate on every line that is made of it. */
const atOvertime = (part: CostPart): CostPart =>
  'hours' in part && part.overtimeRate !== undefined ? { ...part, overtime: true } : part;

/**
 * What a line would be as an item of the library: what it is called, how it is counted, its costs with a sum typed over
 * them, and its markup, that of single cost types worked into it. What belongs to the job stays with it.
 * @param document where it stands: a markup of a single type is worked into the loads it has there
 * @throws PartGone
 */
export function lineAsItem(line: Line, document: ProposalDocument): LineAsItem {
  const costs = costsOf(line);
  const { bundle, section } = place(document, line.id);
  const around = bundle?.loads ?? section.loads;
  const loads = line.markups ? loadsOfLine(line, around, document.loads) : (line.loads ?? null);
  const left = [
    line.heldPrice !== undefined && 'The price typed for it.',
    line.discount !== undefined && 'Its discount.',
    line.extra !== undefined && 'That it is an extra.',
    line.allowance !== undefined && 'Its terms as an allowance.',
    line.crewNote !== undefined && 'The note to the crew.',
    line.formula !== undefined && `Its quantity, which follows ${line.formula}.`,
  ].filter((each) => each !== false);
  return {
    item: {
      name: line.description,
      detail: line.detail ?? '',
      unit: line.unit,
      costs: line.overtime ? costs.map(atOvertime) : costs,
      ...(line.waste === undefined ? {} : { waste: line.waste }),
      ...(line.pack === undefined ? {} : { pack: line.pack }),
      ...(line.minimumCharge === undefined ? {} : { minimumCharge: line.minimumCharge }),
      ...(line.breaks === undefined ? {} : { breaks: line.breaks }),
      ...(loads === null ? {} : { loads: [...loads] }),
      ...(line.picture === undefined ? {} : { picture: line.picture }),
      taxClass: line.taxClass,
      costCode: line.costCode ?? '',
      tags: [],
      internalNote: line.internalNote ?? '',
    },
    left,
  };
}

/**
 * The line is the library’s from now on: taken from an item that was made of it. Its quantity and what is of this job stay,
 * as does what was typed since it was sent: that is said otherwise on this job.
 * @param sent the line as the item was made of it
 * @throws PartGone
 */
export function becomeItem(document: ProposalDocument, sent: Line, item: LibraryItem): void {
  const { line } = place(document, sent.id);
  const since = jobFields
    .filter((field) => !alike(line[field], sent[field]))
    .map((field) => [field, line[field] ?? null] as const);
  for (const field of ['typedCost', 'overtime'] as const) if (line[field] === sent[field]) delete line[field];
  delete line.markups;
  delete line.fromLibrary;
  const { taxClass, description, ...priced } = pricedItem(item);
  Object.assign(line, priced);
  if (line.description === sent.description) line.description = description;
  if (!since.some(([field]) => field === 'taxClass') && document.taxClasses.some(({ id }) => id === taxClass))
    line.taxClass = taxClass;
  const { typedCost } = line;
  for (const [field, value] of since) setOnThisJob(document, sent.id, field, value);
  if (typedCost !== undefined) line.typedCost = typedCost;
}

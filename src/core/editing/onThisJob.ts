import type { JobField, JobValues } from '../bundle';
import { jobFields } from '../bundle';
import type { Bundle, Line, PartChange, PricedItem, ProposalDocument } from '@/model';
import { findBundle } from './find';
import { alike } from './mergeOver';
import { PartGone, place } from './partGone';

/*
 * What of an item is said otherwise on one job: its costs, its markup, its tax class, its cost code. Beside it stands what the
 * library has, so that it shows and can be taken back; a line of one's own has nothing to be taken back to.
 */

function put(line: Line, field: JobField, value: unknown): void {
  if (value === null) delete line[field];
  else Object.assign(line, { [field]: value });
}

/**
 * Says of a line of this job what its item does not: null where it has none of it. Said as the library has it, it is taken
 * back. Costs by type stand for themselves: a sum typed over the former ones goes.
 */
export function setOnThisJob<Field extends JobField>(
  document: ProposalDocument,
  lineId: string,
  field: Field,
  value: JobValues[Field],
): void {
  const { line } = place(document, lineId);
  if (field === 'costs') delete line.typedCost;
  if (line.itemId !== undefined) {
    const kept: Record<string, unknown> = { ...line.fromLibrary };
    if (!Object.hasOwn(kept, field)) kept[field] = line[field] ?? null;
    if (alike(kept[field], value ?? null)) delete kept[field];
    if (Object.keys(kept).length === 0) delete line.fromLibrary;
    else line.fromLibrary = kept as NonNullable<Line['fromLibrary']>;
  }
  put(line, field, value ?? null);
}

/** Takes back what this job says of a line: what the library has stands again. */
export function takeBackOnThisJob(document: ProposalDocument, lineId: string, field: JobField): void {
  const { line } = place(document, lineId);
  const kept: Record<string, unknown> = { ...line.fromLibrary };
  if (!Object.hasOwn(kept, field)) return;
  const isKnown = field !== 'taxClass' || document.taxClasses.some(({ id }) => id === kept[field]);
  put(line, field, isKnown ? kept[field] : document.taxClasses[0]!.id);
  delete kept[field];
  if (Object.keys(kept).length === 0) delete line.fromLibrary;
  else line.fromLibrary = kept as NonNullable<Line['fromLibrary']>;
}

/**
 * Says of a part of a bundle on this job what its item does not; undefined takes it back, as does what the item has.
 * @param part the part as a line, as it counts now
 * @param path part ids from the outer bundle inwards, with dots between
 * @throws PartGone
 */
export function setPartOnThisJob<Field extends JobField>(
  document: ProposalDocument,
  bundleId: string,
  path: string,
  part: Line,
  field: Field,
  value: JobValues[Field] | undefined,
): void {
  const bundle: Bundle | undefined = findBundle(document, bundleId)?.bundle;
  if (!bundle) throw new PartGone(bundleId);
  const change: PartChange = { ...bundle.changes[path] };
  if (field === 'costs') delete change.typedCost;
  const kept: Record<string, unknown> = part.fromLibrary ?? {};
  const has = Object.hasOwn(kept, field) ? kept[field] : (part[field] ?? null);
  if (value === undefined || alike(has, value)) delete change[field];
  else Object.assign(change, { [field]: value });
  if (Object.keys(change).length === 0) delete bundle.changes[path];
  else bundle.changes[path] = change;
}

/** What this job says otherwise of a line or part, in words, in the order people look for it; empty where nothing. */
export function saidOtherwise(line: Pick<Line, 'fromLibrary'> & PricedItem): readonly string[] {
  const kept = line.fromLibrary;
  if (!kept) return [];
  const words: Readonly<Record<JobField, string>> = {
    costs: 'costs of its own on this job',
    loads: 'markup of its own on this job',
    markups: 'markup of its own on this job',
    taxClass: 'taxed otherwise on this job',
    costCode: `cost code of this job${kept.costCode ? `, the library has ${kept.costCode}` : ''}`,
  };
  return [...new Set(jobFields.filter((field) => kept[field] !== undefined).map((field) => words[field]))];
}

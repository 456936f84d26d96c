import type { Bundle, Line, ProposalDocument, Section, SectionEntry } from '@/model';
import type { Fixed } from '../number';
import { writeFixed } from '../number';

/** Unit prices by the id of the line (or the part of a bundle); null lets it follow its cost again. */
export type Prices = ReadonlyMap<string, Fixed | null>;

function shapedLine(line: Line, prices: Prices): Line {
  const price = prices.get(line.id);
  if (price === undefined) return line;
  const { shapedPrice: _, ...plain } = line;
  return price === null ? plain : { ...plain, shapedPrice: writeFixed(price) };
}

function shapedBundle(bundle: Bundle, prices: Prices): Bundle {
  const prefix = `${bundle.id}.`;
  const changes = { ...bundle.changes };
  let touched = false;
  for (const [id, price] of prices) {
    if (!id.startsWith(prefix)) continue;
    const path = id.slice(prefix.length);
    const { shapedPrice: _, ...plain } = changes[path] ?? {};
    const next = price === null ? plain : { ...plain, shapedPrice: writeFixed(price) };
    if (Object.keys(next).length === 0) delete changes[path];
    else changes[path] = next;
    touched = true;
  }
  const added = bundle.added.map((line) => shapedLine(line, prices));
  const same = added.every((line, i) => line === bundle.added[i]);
  return touched || !same ? { ...bundle, changes, added: same ? bundle.added : added } : bundle;
}

function shapedEntry(entry: SectionEntry, prices: Prices): SectionEntry {
  if (entry.kind === 'line') return shapedLine(entry, prices);
  if (entry.kind === 'bundle') return shapedBundle(entry, prices);
  let touched = false;
  const alternatives = entry.alternatives.map((alternative) => {
    const lines = alternative.lines.map((part) =>
      part.kind === 'line' ? shapedLine(part, prices) : shapedBundle(part, prices),
    );
    if (lines.every((line, i) => line === alternative.lines[i])) return alternative;
    touched = true;
    return { ...alternative, lines };
  });
  return touched ? { ...entry, alternatives } : entry;
}

/** The document with these unit prices; what none of them touches stays the same object. */
export function withPrices(document: ProposalDocument, prices: Prices): ProposalDocument {
  if (prices.size === 0) return document;
  const sections = document.sections.map((section): Section => {
    const entries = section.entries.map((entry) => shapedEntry(entry, prices));
    return entries.every((entry, i) => entry === section.entries[i]) ? section : { ...section, entries };
  });
  return { ...document, sections };
}

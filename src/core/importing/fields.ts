/** What a column of a library file can be, in the order of the export, with how people head such columns. */
export const libraryFields = {
  code: ['code', 'item code', 'sku', 'number', 'item no', 'part number', 'id'],
  name: ['name', 'description', 'item', 'title', 'item name'],
  detail: ['detail', 'details', 'customer description', 'long description', 'notes for customer'],
  trade: ['trade', 'category', 'group', 'division'],
  unit: ['unit', 'uom', 'unit of measure', 'units'],
  material: ['material', 'material cost', 'cost', 'unit cost', 'price', 'list price', 'net'],
  labour_hours: ['labour_hours', 'labor_hours', 'labour hours', 'labor hours', 'hours', 'man hours'],
  labour_rate: ['labour_rate', 'labor_rate', 'labour rate', 'labor rate', 'rate', 'hourly rate'],
  overtime_rate: ['overtime_rate', 'overtime rate', 'overtime'],
  equipment: ['equipment', 'equipment cost', 'plant'],
  subcontract: ['subcontract', 'subcontractor', 'sub', 'subcontract cost'],
  other: ['other', 'other cost', 'misc'],
  waste: ['waste', 'waste %', 'waste percent'],
  pack: ['pack', 'pack size', 'per pack', 'pack qty'],
  minimum_charge: ['minimum_charge', 'minimum charge', 'minimum'],
  breaks: ['breaks', 'price breaks', 'quantity breaks'],
  loads: ['loads', 'own loads', 'markup', 'own markup'],
  tax_class: ['tax_class', 'tax class', 'tax', 'tax code'],
  cost_code: ['cost_code', 'cost code', 'account', 'gl code'],
  tags: ['tags', 'keywords', 'words'],
  supplier_note: ['supplier_note', 'supplier note', 'supplier', 'vendor'],
  internal_note: ['internal_note', 'internal note', 'our note', 'note'],
  retired: ['retired', 'inactive', 'discontinued'],
} as const;
export type LibraryField = keyof typeof libraryFields;
export const libraryFieldNames = Object.keys(libraryFields) as LibraryField[];

/** What each column of a file is taken as; null where it is left out. */
export type Matching = readonly (LibraryField | null)[];

const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9%]+/g, ' ')
    .trim();

/** Proposes what the columns of a file are by their headings; no field twice, the better fit first. */
export function proposeMatching(headings: readonly string[]): Matching {
  const fits = headings.flatMap((heading, column) =>
    libraryFieldNames.flatMap((field) => {
      const at = libraryFields[field].map(plain).indexOf(plain(heading));
      return at < 0 ? [] : [{ column, field, at }];
    }),
  );
  const matching: (LibraryField | null)[] = headings.map(() => null);
  const taken = new Set<LibraryField>();
  for (const { column, field } of fits.sort((a, b) => a.at - b.at)) {
    if (matching[column] !== null || taken.has(field)) continue;
    matching[column] = field;
    taken.add(field);
  }
  return matching;
}

/** Names the source of a file by its headings, so that its matching is known next time. */
export const sourceOf = (headings: readonly string[]): string => headings.map(plain).join('|').slice(0, 1000);

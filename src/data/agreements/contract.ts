import { eq, inArray } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { revision } from '../schema';
import type { AgreedForChange } from '@/core/agreements';
import { addFixed, sumAmounts, writeAmount, writeFixed } from '@/core/number';
import { computeFigures } from '@/core/price';
import type { Choices, CostPart, ProposalDocument } from '@/model';
import type { LoadedAgreement } from '@/core/billing';

/** Unit costs as they were sold, by the id of the line in the frozen documents. */
async function costsSold(
  tx: Transaction,
  loaded: LoadedAgreement,
): Promise<Map<string, readonly CostPart[]>> {
  const signed: { prefix: string; revisionId: string; choices: Choices }[] = [
    { prefix: '', revisionId: loaded.head.revisionId, choices: loaded.head.choices },
    ...loaded.changes.map(({ number, revisionId, choices }) => ({
      prefix: `c${number}.`,
      revisionId,
      choices,
    })),
  ];
  const rows = await tx
    .select({ id: revision.id, canonical: revision.canonical })
    .from(revision)
    .where(
      inArray(
        revision.id,
        signed.map(({ revisionId }) => revisionId),
      ),
    );
  const costs = new Map<string, readonly CostPart[]>();
  for (const { prefix, revisionId, choices } of signed) {
    const found = rows.find(({ id }) => id === revisionId);
    if (!found) continue;
    for (const { lines } of computeFigures(JSON.parse(found.canonical) as ProposalDocument, choices).sections)
      for (const { line } of lines)
        costs.set(
          `${prefix}${line.id}`,
          line.typedCost === undefined ? line.costs : [{ type: 'other', amount: line.typedCost }],
        );
  }
  return costs;
}

/** The lines of an agreement that can be left out or increased: work with a quantity, no omission, no money set aside. */
export async function agreedForChange(tx: Transaction, loaded: LoadedAgreement): Promise<AgreedForChange[]> {
  const [first] = await tx
    .select({ canonical: revision.canonical })
    .from(revision)
    .where(eq(revision.id, loaded.head.revisionId));
  const { tax } = JSON.parse(first!.canonical) as ProposalDocument;
  const inside = tax?.inside === true && !tax.exempt;
  const costs = await costsSold(tx, loaded);
  const aside = new Set(loaded.allowances.map(({ lineId }) => lineId));
  return loaded.lines
    .filter(
      ({ id, omits, settles, quantity, net }) =>
        omits === null && settles === null && quantity > 0n && net > 0n && !aside.has(id),
    )
    .map((line) => ({
      id: line.id,
      section: line.sectionTitle,
      description: line.description,
      unit: line.unit,
      quantity: writeFixed(line.quantity),
      omitted: writeFixed(
        addFixed(loaded.lines.filter(({ omits }) => omits === line.id).map(({ omitted }) => omitted)),
      ),
      amount: writeAmount(inside ? sumAmounts([line.net, ...line.taxes]) : line.net, loaded.digits),
      taxClass: line.taxClass,
      costCode: line.costCode,
      costs: costs.get(line.id) ?? [],
      minorDigits: loaded.digits,
    }));
}

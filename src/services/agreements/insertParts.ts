import type { Transaction } from '@/data/connection';
import {
  agreementAllowance,
  agreementLine,
  agreementLineTax,
  agreementPayment,
  agreementStage,
  agreementTax,
  lineStage,
  selectionRound,
} from '@/data/schema';
import type { AgreedLine, FrozenAgreement } from '@/core/agreements';
import { moneyOf, writeAmount, writeFixed } from '@/core/number';
import { asSuggested } from '@/model';
import { findItemCodes } from '@/data/library/itemCodes';
import { newId } from '../actor';

interface Into {
  readonly companyId: string;
  readonly agreementId: string;
  readonly minorDigits: number;
  /** The change order that brings them; null: they are of the original sum. */
  readonly change: { readonly id: string; readonly number: number } | null;
  readonly now: Date;
}

/** Stores the payments as they were signed first. */
export async function insertPayments(
  tx: Transaction,
  { companyId, agreementId, minorDigits }: Into,
  frozen: FrozenAgreement,
): Promise<void> {
  await tx.insert(agreementPayment).values(
    frozen.payments.map(({ id, name, kind, due, amount }, position) => ({
      companyId,
      agreementId,
      entryId: id,
      position,
      name,
      kind,
      due,
      amount: writeAmount(amount, minorDigits),
    })),
  );
}

/** Stores the stages, those that are new behind those that are there. */
export async function insertStages(
  tx: Transaction,
  { companyId, agreementId }: Into,
  { stages }: Pick<FrozenAgreement, 'stages'>,
  behind = 0,
): Promise<void> {
  if (stages.length === 0) return;
  await tx
    .insert(agreementStage)
    .values(
      stages.map(({ name, planned }, i) => ({
        companyId,
        agreementId,
        name,
        position: behind + i,
        plannedOn: planned,
      })),
    )
    .onConflictDoNothing();
}

/** Stores the tax components as they were signed first. */
export async function insertComponents(
  tx: Transaction,
  { companyId, agreementId, minorDigits }: Into,
  { components }: FrozenAgreement,
): Promise<void> {
  if (components.length === 0) return;
  await tx.insert(agreementTax).values(
    components.map(({ key, taxClass, name, percent, base, amount }, position) => ({
      companyId,
      agreementId,
      position,
      key,
      taxClass,
      name,
      percent,
      base: writeAmount(base, minorDigits),
      amount: writeAmount(amount, minorDigits),
    })),
  );
}

/**
 * Stores agreed lines with their taxes, and the allowances among them with the rounds that are prepared for them.
 * @param positionOf the place of a component of the frozen document among the components of the agreement
 */
export async function insertLines(
  tx: Transaction,
  into: Into,
  lines: readonly AgreedLine[],
  positionOf: (component: number) => number,
): Promise<void> {
  const { companyId, agreementId, minorDigits, change, now } = into;
  if (lines.length === 0) return;
  const key = { companyId, agreementId };
  const money = moneyOf(minorDigits);
  // Two documents may carry the same ids; those of a change order stand under its number.
  const idOf = ({ id }: { readonly id: string }) => (change ? `c${change.number}.${id}` : id);
  const codes = await findItemCodes(
    tx,
    lines.map(({ itemId }) => itemId),
  );
  await tx.insert(agreementLine).values(
    lines.map((line, position) => ({
      ...key,
      lineId: idOf(line),
      position,
      sectionTitle: line.sectionTitle,
      bundleId: line.bundle ? idOf(line.bundle) : null,
      bundleName: line.bundle?.name ?? null,
      bundleOne: line.bundle?.one ?? false,
      description: line.description,
      unit: line.unit,
      quantity: writeFixed(line.quantity),
      unitPrice: writeFixed(line.unitPrice),
      costCode: line.costCode,
      itemCode: codes.get(line.itemId ?? '') ?? null,
      taxClass: line.taxClass,
      net: money.write(line.net),
      cost: money.write(line.cost),
      costs: Object.fromEntries(Object.entries(line.costs).map(([type, cost]) => [type, money.write(cost)])),
      changeOrderId: change?.id ?? null,
      omits: line.omits?.line ?? null,
      omittedQuantity: line.omits?.quantity ?? null,
      settles: line.settles,
    })),
  );
  const staged = lines.flatMap((line) =>
    line.stage === null ? [] : [{ ...key, lineId: idOf(line), stage: line.stage }],
  );
  if (staged.length > 0) await tx.insert(lineStage).values(staged);
  const taxes = lines.flatMap((line) =>
    line.taxes.flatMap((tax, component) =>
      tax === 0n
        ? []
        : [{ ...key, lineId: idOf(line), position: positionOf(component), amount: money.write(tax) }],
    ),
  );
  if (taxes.length > 0) await tx.insert(agreementLineTax).values(taxes);

  const aside = lines.flatMap((line) => (line.allowance ? [{ line, ...line.allowance }] : []));
  if (aside.length === 0) return;
  await tx.insert(agreementAllowance).values(
    aside.map(({ line, terms: { rounds: _, ...terms }, spend }) => ({
      ...key,
      lineId: idOf(line),
      terms,
      spend: money.write(spend),
    })),
  );
  const rounds = aside.flatMap(({ line, terms }) =>
    terms.rounds.map((document) => ({
      companyId,
      id: newId(now),
      agreementId,
      lineId: idOf(line),
      document,
      saveNumber: 0,
      state: 'prepared' as const,
      choices: asSuggested,
      createdAt: now,
      updatedAt: now,
    })),
  );
  if (rounds.length > 0) await tx.insert(selectionRound).values(rounds);
}

import type { AgreementAtDesk } from '@/services/agreements/read';
import { isBelowZero, isNothing, withoutSign } from '@/core/number';
import { Figure } from '../Figure';

/** How the money of an agreement stands; what there is nothing of is left out. */
export function AgreementFigures({ agreement }: { readonly agreement: AgreementAtDesk }) {
  const { standing, earned, held, ahead, credit, lateOpen } = agreement;
  const late = agreement.invoices.some(({ overdue }) => overdue);
  return (
    <div className="figures above-more" data-testid="standing">
      <Figure name="Contract sum" value={standing.sumToDate} />
      {!isNothing(earned) && <Figure name="Earned (line)" value={earned} />}
      <Figure name="Billed (hatched)" value={standing.billed} />
      <Figure name="Paid (solid)" value={standing.paid} />
      <Figure name="Billed, not paid" value={standing.billedUnpaid} wrong={late} />
      {!isNothing(lateOpen) && <Figure name="Late charges, not paid" value={lateOpen} wrong />}
      <Figure name="Left to bill" value={standing.leftToBill} />
      {!isNothing(held) && <Figure name="Retainage held" value={held} />}
      {!isNothing(ahead) && <Figure name="Deposit not applied yet" value={ahead} />}
      {!isNothing(credit) &&
        (isBelowZero(credit) ? (
          <Figure name="Owed beside invoices" value={withoutSign(credit)} wrong />
        ) : (
          <Figure name="Customer credit" value={credit} />
        ))}
    </div>
  );
}

import type { ProgressBilling } from '@/services/billing/progressBilling';
import type { Amount } from '@/core/number';
import { showAmount, showDecimal } from '@/core/number';

/** What is held back of which invoice, and what was released of it. */
export function HeldOn({ work, held }: { work: ProgressBilling; held: Amount }) {
  return (
    <table className="table-plain" aria-label="Retainage">
      <thead>
        <tr>
          <th>Invoice</th>
          <th>For</th>
          <th className="amount">Retainage, including tax</th>
        </tr>
      </thead>
      <tbody>
        {work.heldOn.map(({ label, title, amount }) => (
          <tr key={label}>
            <td>{label}</td>
            <td>{title}</td>
            <td className="amount">{showDecimal(amount)}</td>
          </tr>
        ))}
        <tr>
          <td colSpan={2}>
            <strong>Held</strong>
          </td>
          <td className="amount">
            <strong>{showAmount(held, work.ledger.minorDigits)}</strong>
          </td>
        </tr>
      </tbody>
    </table>
  );
}

import type { CustomerView } from '@/model/customerView';
import { showDecimal } from '@/core/number';

/** What it comes to as it is chosen now, and the way to sign; always in view. */
export function FootBar({ view, busy }: { readonly view: CustomerView; readonly busy: boolean }) {
  return (
    <div className="foot-bar" aria-live="polite" aria-busy={busy}>
      <div>
        <div className="foot-name">
          {view.change ? 'Change' : 'Total'} as you chose{view.basis === 'before tax' && ', with tax'},{' '}
          {view.currency}
        </div>
        <div className="foot-total" data-testid="booklet-total">
          {showDecimal(view.total)}
        </div>
        {view.deposit && <div className="foot-name">{showDecimal(view.deposit)} on signing</div>}
      </div>
      <a className="foot-button" href="#sign">
        Sign
      </a>
    </div>
  );
}

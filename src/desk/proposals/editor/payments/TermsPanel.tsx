'use client';

import { Select } from 'antd';
import { setBilling } from '@/core/editing';
import { showDecimal } from '@/core/number';
import type { BillingTerms } from '@/model';
import { parseMoneyInput, readPercent } from '@/core/quantity';
import { Cell } from '@/ui/live/Cell';
import { useEditor } from '../context';

/** How the agreement is billed: what becomes of the deposit, and what is held back. The customer signs it. */
export function TermsPanel() {
  const { work, figures, readOnly } = useEditor();
  const terms = work.document.billing ?? {};
  const { retainage } = terms;
  const put = (next: BillingTerms) => work.edit((draft) => setBilling(draft, next));
  const { retainage: _r, ...withoutRetainage } = terms;
  const { deposit: _d, ...withoutDeposit } = terms;
  const { specialOrder: _s, ...withoutOrder } = terms;
  return (
    <div className="terms-panel">
      <label>
        The deposit
        <Select
          size="small"
          disabled={readOnly}
          aria-label="What becomes of the deposit"
          popupMatchSelectWidth={false}
          value={terms.deposit ?? 'draw'}
          onChange={(value) => put(value === 'advance' ? { ...terms, deposit: value } : withoutDeposit)}
          options={[
            { value: 'draw', label: 'pays for the first part of the work' },
            { value: 'advance', label: 'is paid up front and applied to each invoice' },
          ]}
        />
      </label>
      <label>
        Retainage on each invoice
        <span className="terms-field">
          <Cell
            name="retainage"
            label="Retainage in percent"
            align="right"
            shown={retainage?.percent ?? ''}
            readOnly={readOnly}
            commit={(text) => {
              const percent = text.trim() === '' ? '0' : readPercent(text, 100);
              put(percent === '0' ? withoutRetainage : { ...terms, retainage: { ...retainage, percent } });
            }}
          />{' '}
          %
        </span>
      </label>
      {retainage && (
        <label>
          but never more than
          <span className="terms-field">
            <Cell
              name="limit"
              label="Most retainage, in percent of the whole"
              align="right"
              shown={retainage.limit ?? ''}
              readOnly={readOnly}
              commit={(text) =>
                put({
                  ...terms,
                  retainage:
                    text.trim() === ''
                      ? { percent: retainage.percent }
                      : { percent: retainage.percent, limit: readPercent(text, 100) },
                })
              }
            />{' '}
            % of the whole
          </span>
        </label>
      )}
      <label>
        Ordered specially before work begins
        <span className="terms-field">
          <Cell
            name="special"
            label="Cost of what is ordered specially"
            align="right"
            shown={terms.specialOrder === undefined ? '' : showDecimal(terms.specialOrder)}
            readOnly={readOnly}
            commit={(text) =>
              put(
                text.trim() === ''
                  ? withoutOrder
                  : { ...terms, specialOrder: parseMoneyInput(text, figures.minorDigits) },
              )
            }
          />
        </span>
      </label>
    </div>
  );
}

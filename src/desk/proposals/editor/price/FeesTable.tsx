'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { setFee } from '@/core/editing';
import { showAmount, showDecimal } from '@/core/number';
import type { Fee } from '@/model';
import { newPartId, useEditor } from '../context';
import { Cell } from '@/ui/live/Cell';
import { parseMoneyInput, readPercent } from '@/core/quantity';

/** The most a fee by percent may come to; empty: there is no limit. */
function FeeLimit({ fee, change }: { readonly fee: Fee; readonly change: (next: Partial<Fee>) => void }) {
  const { figures, readOnly } = useEditor();
  const { amount } = fee;
  if (!('percent' in amount)) return null;
  return (
    <span className="fee-limit">
      of the price, at most
      <Cell
        name="fee-most"
        label={`${fee.name}: at most`}
        align="right"
        shown={amount.most === undefined ? '' : showDecimal(amount.most)}
        typed={amount.most ?? ''}
        placeholder="no limit"
        readOnly={readOnly}
        commit={(text) =>
          change({
            amount: {
              percent: amount.percent,
              ...(text.trim() === '' ? {} : { most: parseMoneyInput(text, figures.minorDigits) }),
            },
          })
        }
      />
    </span>
  );
}

/** Fees: lines of their own that no discount touches, fixed or a share of the price. */
export function FeesTable() {
  const { work, figures, readOnly } = useEditor();
  const { document: proposal, edit } = work;
  const change = (id: string, next: Partial<Fee> | null) => edit((draft) => setFee(draft, id, next));
  return (
    <>
      <h2>Fees</h2>
      <table className="table-plain">
        <tbody>
          {proposal.fees.map((fee, i) => (
            <tr key={fee.id}>
              <td>
                <Cell
                  name="fee-name"
                  label="Fee"
                  shown={fee.name}
                  readOnly={readOnly}
                  commit={(text) => text.trim() && change(fee.id, { name: text.trim().slice(0, 200) })}
                />
              </td>
              <td className="cell-narrow">
                <Cell
                  name="fee"
                  label={fee.name}
                  align="right"
                  shown={'fixed' in fee.amount ? fee.amount.fixed : `${fee.amount.percent} %`}
                  readOnly={readOnly}
                  commit={(text) =>
                    change(fee.id, {
                      amount: text.includes('%')
                        ? {
                            ...('percent' in fee.amount ? fee.amount : {}),
                            percent: readPercent(text),
                          }
                        : { fixed: parseMoneyInput(text, figures.minorDigits) },
                    })
                  }
                />
              </td>
              <td className="nowrap">
                {'fixed' in fee.amount ? (
                  proposal.currency
                ) : (
                  <FeeLimit fee={fee} change={(next) => change(fee.id, next)} />
                )}{' '}
                <Select
                  size="small"
                  popupMatchSelectWidth={false}
                  aria-label={`${fee.name}: tax`}
                  disabled={readOnly}
                  value={fee.taxClass}
                  onChange={(picked: string) => change(fee.id, { taxClass: picked })}
                  options={proposal.taxClasses.map(({ id, name }) => ({ value: id, label: name }))}
                />
              </td>
              <td className="amount">{showAmount(figures.fees[i]!.amount, figures.minorDigits)}</td>
              <td className="row-more">
                {!readOnly && (
                  <button
                    type="button"
                    className="grip grip-on"
                    aria-label={`Remove ${fee.name}`}
                    onClick={() => change(fee.id, null)}
                  >
                    ×
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {!readOnly && (
        <Button size="small" icon={<PlusOutlined />} onClick={() => change(newPartId(), {})}>
          Fee
        </Button>
      )}
    </>
  );
}

import { Input, Select } from 'antd';
import type { ProgressBilling } from '@/services/billing/progressBilling';
import { moneyOf, showDecimal, writeAmount } from '@/core/number';
import type { BillDraft } from './useBillDraft';
import type { Path } from './useBill';

const paths: Readonly<Record<Path, string>> = {
  entry: 'A payment of the schedule',
  work: 'Work done',
  amount: 'An amount',
  rest: 'Remaining balance',
  release: 'Retainage',
};

/** By what is billed: the ways there are now, and what the one taken needs. */
export function BillPaths({ work, draft }: { readonly work: ProgressBilling; readonly draft: BillDraft }) {
  const { bill, position, setAsk, typed, take, typeAmount, amountWrong } = draft;
  const { minorDigits } = work.ledger;
  const { path } = typed;
  const choices: Path[] = [
    ...(work.entriesLeft.length > 0 ? (['entry'] as const) : []),
    ...(position.workLeft !== 0n ? (['work', 'amount'] as const) : []),
    'rest',
    ...(position.heldGross > 0n ? (['release'] as const) : []),
  ];
  const asked =
    bill.ask && 'amount' in bill.ask
      ? bill.ask.amount
      : bill.ask && 'release' in bill.ask && bill.ask.release !== 'all'
        ? bill.ask.release
        : null;
  const releasesAll = path === 'release' && bill.ask && 'release' in bill.ask && bill.ask.release === 'all';
  return (
    <div className="bill-paths" role="radiogroup" aria-label="What is billed">
      {choices.map((each) => (
        <button
          key={each}
          type="button"
          role="radio"
          aria-checked={path === each}
          className="bill-path"
          onClick={() => take(each)}
        >
          {paths[each]}
        </button>
      ))}
      {path === 'entry' && (
        <Select
          aria-label="Which payment"
          className="wide-name"
          value={bill.ask && 'entryId' in bill.ask ? bill.ask.entryId : null}
          onChange={(entryId) => setAsk({ entryId })}
          options={work.entriesLeft.map(({ id, name, left }) => ({
            value: id,
            label: `${name}: ${showDecimal(left)}`,
          }))}
        />
      )}
      {(path === 'amount' || path === 'release') && (
        <label className="bill-amount">
          {path === 'amount' ? 'Amount, including tax' : 'Release'}
          <Input
            className="wide-amount amount"
            value={releasesAll ? writeAmount(position.heldGross, minorDigits) : typed.amount}
            status={amountWrong ? 'error' : ''}
            onChange={(event) => typeAmount(event.target.value)}
          />
          {typed.amount.includes('%') && asked !== null && (
            <span className="soft" data-testid="amount-asked">
              is {showDecimal(asked)}
              {path === 'amount' ? ' of the contract sum' : ''}
            </span>
          )}
          {path === 'release' && (
            <span className="soft">of {moneyOf(minorDigits).show(position.heldGross)} held</span>
          )}
        </label>
      )}
    </div>
  );
}

import { isNothing, showDecimal } from '@/core/number';
import { unitName } from '@/model';
import type { AgreementAtDesk } from '@/services/agreements/read';
import { PlainTable } from '@/ui/tables/PlainTable';

const amount = (text: string) => (isNothing(text) ? '' : showDecimal(text));

/** The agreed work line by line, with what is billed of it, and how the lines come to the contract sum. */
export const AgreedLines = ({ agreement }: { readonly agreement: AgreementAtDesk }) => (
  <PlainTable
    label="Lines"
    rows={agreement.lines}
    rowKey={({ id }) => id}
    groupOf={({ section }) => section}
    columns={[
      {
        key: 'work',
        title: 'Work',
        cell: ({ description, bundle, change }) => (
          <>
            {description}
            {bundle && <span className="soft"> · {bundle}</span>}
            {change !== null && <span className="soft"> · change order {change}</span>}
          </>
        ),
      },
      { key: 'quantity', title: 'Quantity', figure: true, cell: ({ quantity }) => showDecimal(quantity) },
      { key: 'unit', title: 'Unit', cell: ({ unit }) => unitName(unit) },
      { key: 'agreed', title: 'Agreed', figure: true, cell: ({ agreed }) => showDecimal(agreed) },
      { key: 'billed', title: 'Billed', figure: true, cell: ({ billed }) => amount(billed) },
      { key: 'left', title: 'Left', figure: true, cell: ({ left }) => amount(left) },
    ]}
    foot={[
      { work: 'Net', agreed: showDecimal(agreement.netToDate) },
      ...agreement.taxes.map((tax) => ({
        work: `${tax.name} ${showDecimal(tax.percent)} %`,
        agreed: showDecimal(tax.amount),
      })),
      {
        work: agreement.changes.length > 0 ? 'Contract sum to date' : 'Contract sum',
        agreed: showDecimal(agreement.sumToDate),
      },
    ]}
  />
);

import { showDecimal } from '@/core/number';
import { discountName } from '@/core/text/discountName';
import type { CustomerView } from '@/model/customerView';

/** How the sections make the total. */
export function Sums({ view }: { view: CustomerView }) {
  return (
    <section className="leaf">
      <h2>What it comes to</h2>
      <dl className="sums">
        {view.sections.map(
          (section) =>
            section.amount && (
              <Row key={section.id} name={section.title} value={showDecimal(section.amount)} />
            ),
        )}
        {view.discount && (
          <Row name={discountName(view.discountReason)} value={`−${showDecimal(view.discount)}`} />
        )}
        {view.fees.map((fee) => (
          <Row key={fee.id} name={fee.name} value={showDecimal(fee.amount)} />
        ))}
        {view.shows !== 'total' &&
          !view.taxInside &&
          view.taxes.map((tax) => (
            <Row key={tax.id} name={`${tax.name} ${tax.percent} %`} value={showDecimal(tax.amount)} />
          ))}
        <dt className="sums-total">Total in {view.currency}</dt>
        <dd className="sums-total">{showDecimal(view.total)}</dd>
        {view.exempt && <Row name={`No tax: ${view.exempt}`} value="" />}
        {!view.exempt && view.shows === 'total' && (
          <Row name="of which tax" value={showDecimal(view.taxTotal)} />
        )}
        {view.taxInside &&
          view.shows !== 'total' &&
          view.taxes.map((tax) => (
            <Row
              key={tax.id}
              name={`of which ${tax.name} ${tax.percent} %`}
              value={showDecimal(tax.amount)}
            />
          ))}
      </dl>
    </section>
  );
}

function Row({ name, value }: { name: string; value: string }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{value}</dd>
    </>
  );
}

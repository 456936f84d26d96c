'use client';

import { Select } from 'antd';
import { useMemo, useState } from 'react';
import type { Amount } from '@/core/number';
import { showAmount, showDifference, showQuantity, writeFixed } from '@/core/number';
import type { BundleFigures, SectionLine } from '@/core/price';
import { compareGrades } from '@/core/price';
import type { Recipe } from '@/model';
import { unitAfter } from '@/model';

/** A part in one grade: what it is, how much, and what it costs. */
function Side({ line, minorDigits }: { readonly line: SectionLine | null; readonly minorDigits: number }) {
  if (!line) return <span className="soft">not in it</span>;
  return (
    <>
      {line.line.description}
      <span className="soft block">
        {showQuantity(line.quantity)} {unitAfter(writeFixed(line.quantity), line.line.unit)},{' '}
        {showAmount(line.costAmount, minorDigits)}
      </span>
    </>
  );
}

/** Two grades side by side as they are tried: the parts that differ, and by how much cost and price do. */
export function CompareGrades({
  recipe: { grades },
  tryGrade,
  minorDigits,
}: {
  readonly recipe: Recipe;
  /** The bundle as it is tried now, in a grade. */
  readonly tryGrade: (grade: string) => BundleFigures;
  readonly minorDigits: number;
}) {
  const [picked, setPicked] = useState<readonly [string | null, string | null]>([null, null]);
  // A grade that was taken away is compared no more.
  const there = (id: string | null, at: number) => grades.find((grade) => grade.id === id) ?? grades[at]!;
  const [one, other] = [there(picked[0], 0), there(picked[1], 1)];
  const compared = useMemo(
    () => compareGrades(tryGrade(one.id), tryGrade(other.id)),
    [tryGrade, one.id, other.id],
  );
  const { differs, alike } = compared;
  const money = (value: bigint) => showAmount(value as Amount, minorDigits);
  const sums = [tryGrade(one.id), tryGrade(other.id)];
  const head = (at: 0 | 1, grade: { readonly id: string }) => (
    <Select
      size="small"
      popupMatchSelectWidth={false}
      aria-label={at === 0 ? 'Grade compared' : 'with grade'}
      value={grade.id}
      onChange={(id: string) => setPicked(at === 0 ? [id, other.id] : [one.id, id])}
      options={grades.map(({ id, name }) => ({ value: id, label: name }))}
    />
  );
  return (
    <section className="panel" aria-label="Grades side by side">
      <h2>Grades side by side</h2>
      <table className="table-plain compare-grades">
        <thead>
          <tr>
            <th>{head(0, one)}</th>
            <th>{head(1, other)}</th>
          </tr>
        </thead>
        <tbody>
          {differs.map(({ id, one: left, other: right }) => (
            <tr key={id}>
              <td>
                <Side line={left} minorDigits={minorDigits} />
              </td>
              <td>
                <Side line={right} minorDigits={minorDigits} />
              </td>
            </tr>
          ))}
          {alike.count > 0 && (
            <tr>
              <td colSpan={2} className="soft">
                {differs.length === 0
                  ? 'They are alike.'
                  : `${alike.count} ${alike.count === 1 ? 'part is' : 'parts are'} alike, ${money(alike.cost)}`}
              </td>
            </tr>
          )}
        </tbody>
        <tfoot>
          <tr>
            {sums.map(({ cost, net }, at) => (
              <td key={at}>
                {money(net)} <span className="soft block">cost {money(cost)}</span>
              </td>
            ))}
          </tr>
        </tfoot>
      </table>
      {differs.length > 0 && (
        <p className="soft no-space">
          {other.name} is {showDifference(compared.net, minorDigits)} in price,{' '}
          {showDifference(compared.cost, minorDigits)} in cost.
        </p>
      )}
    </section>
  );
}

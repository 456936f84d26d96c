/** A formula with the place where it goes wrong marked. */
export function MarkedFormula({ formula, at }: { readonly formula: string; readonly at: number }) {
  const place = Math.min(at, formula.length);
  return (
    <code className="marked-formula">
      {formula.slice(0, place)}
      <mark>{formula.slice(place, place + 1) || ' '}</mark>
      {formula.slice(place + 1)}
    </code>
  );
}

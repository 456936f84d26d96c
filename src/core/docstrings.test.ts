import { exportedFunctions } from '../../tests/support/source';

const functions = exportedFunctions('src/core');
const placeOf = ({ path, name }: (typeof functions)[number]) => `${path}: ${name}`;

/** Figures mean nothing without their unit: an amount may be cents, a quantity millionths, a place count from zero. */
const isFigure = (type: string) => /^(readonly )?(Amount|Fixed|Ratio|bigint|number)(\[\])?$/.test(type);

test('every function the core gives says what it does', () => {
  expect(functions.length).toBeGreaterThan(400);
  expect(functions.filter(({ doc }) => doc === '').map(placeOf)).toEqual([]);
});

test('figures it is given have their unit or rounding beside their name', () => {
  const silent = functions.flatMap((each) =>
    each.parameters
      .filter(({ name, type }) => /^\w+$/.test(name) && isFigure(type))
      .filter(({ name }) => !new RegExp(`@param ${name}\\b`).test(each.doc))
      .map(({ name }) => `${placeOf(each)} ${name}`),
  );
  expect(silent).toEqual([]);
});

test('errors it makes stand in its docstring', () => {
  const silent = functions.flatMap((each) =>
    [...each.throws]
      .filter((thrown) => !each.doc.includes(`@throws ${thrown}`))
      .map((thrown) => `${placeOf(each)} ${thrown}`),
  );
  expect(silent).toEqual([]);
});

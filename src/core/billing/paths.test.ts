import fc from 'fast-check';
import { anyLedger, anySteps, finish, go, unfinished, unsound } from '../../../tests/support/ledgers';
import { runs } from '../../../tests/support/documents';

test('any path of invoices, credit notes, change orders and releases keeps every line between 0 and 100 %, and ends at the agreement', () => {
  fc.assert(
    fc.property(anyLedger, anySteps(), (ledger, steps) => {
      let at = ledger;
      for (const step of steps) {
        at = go(at, step);
        expect(unsound(at)).toEqual([]);
      }
      at = finish(at);
      expect(unsound(at)).toEqual([]);
      expect(unfinished(at)).toEqual([]);
    }),
    { numRuns: runs(3000) },
  );
});

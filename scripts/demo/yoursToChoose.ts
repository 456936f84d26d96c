import type { Allowance, Line, SelectionAlternative, SelectionRound } from '@/model';
import type { DocumentBuilder } from './documents';

/* What the demo's porch leaves open: money set aside under each of the three rules, with a round for each. */

const tax = 'standard';

function setAside(
  b: DocumentBuilder,
  line: Pick<Line, 'description' | 'unit' | 'quantity' | 'costCode'>,
  terms: Omit<Allowance, 'rounds'>,
  round: (newId: () => string) => Omit<SelectionRound, 'id'>,
): Line {
  const newId = () => b.newId();
  return {
    kind: 'line',
    id: newId(),
    ...line,
    costs: [],
    taxClass: tax,
    allowance: { ...terms, rounds: [{ id: newId(), ...round(newId) }] },
  };
}

const of = (
  newId: () => string,
  name: string,
  price: string,
  per: SelectionAlternative['per'],
  detail?: string,
): SelectionAlternative => ({ id: newId(), name, price, per, ...(detail ? { detail } : {}) });

/** Paving by the square foot, wall lamps, and what hangs by the door: chosen later, against what is set aside. */
export function yoursToChoose(b: DocumentBuilder): readonly Line[] {
  const paving = setAside(
    b,
    { description: 'Paving in front of the steps', unit: 'sqft', quantity: '60', costCode: '02-200' },
    { rule: 'at cost, fee on the excess', amount: '9.00', fee: '20', shows: 'spend' },
    (newId) => {
      const slabs = [
        of(newId, 'Concrete slabs, sand', '7.80', 'unit', 'Twelve by twelve inches, a rough face'),
        of(newId, 'Clay pavers, dark red', '9.60', 'unit', 'Laid on edge, like the old path'),
        of(newId, 'Bluestone, sawn', '14.25', 'unit', 'The stone of the doorstep'),
      ];
      return {
        name: 'Paving',
        questions: [{ id: newId(), prompt: 'Which stone?', alternatives: slabs, suggested: slabs[1]!.id }],
        extras: [{ id: newId(), name: 'A border of cobbles', price: '118.00', per: 'whole', in: false }],
      };
    },
  );
  const lamps = setAside(
    b,
    { description: 'Wall lamps', unit: 'each', quantity: '4', costCode: '26-500' },
    { rule: 'at cost, fee fixed', amount: '55.00', fee: '25', shows: 'price' },
    (newId) => {
      const kinds = [
        of(newId, 'Lantern, black iron', '48.50', 'unit'),
        of(newId, 'Ship’s lamp, brass', '86.00', 'unit', 'Grows dull and handsome'),
      ];
      return {
        name: 'Wall lamps',
        questions: [{ id: newId(), prompt: 'Which lamp?', alternatives: kinds, suggested: kinds[0]!.id }],
        extras: [
          {
            id: newId(),
            name: 'Warm bulbs that dim',
            price: '6.40',
            per: 'whole',
            in: true,
            quantity: { minimum: '1', maximum: '8', step: '1' },
          },
        ],
      };
    },
  );
  const byTheDoor = setAside(
    b,
    { description: 'House number and letter box', unit: 'job', quantity: '1', costCode: '10-400' },
    { rule: 'at our price', amount: '180.00', fee: '22', shows: 'price' },
    (newId) => {
      const pairs = [
        of(newId, 'Enamel plate, steel box', '142.00', 'whole'),
        of(newId, 'Brass figures, cast box', '228.00', 'whole', 'The figures four inches high'),
      ];
      return {
        name: 'House number and letter box',
        questions: [
          {
            id: newId(),
            prompt: 'Which pair?',
            alternatives: pairs,
            suggested: pairs[0]!.id,
            none: { name: 'We keep the old ones' },
          },
        ],
        extras: [],
      };
    },
  );
  return [paving, lamps, byTheDoor];
}

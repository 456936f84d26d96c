import type { BundleWithMakeup } from '@/services/library/bundles';
import {
  addRule,
  addLevels,
  bundleFromLibrary,
  removeLevel,
  setLevel,
  setQuestion,
  setLevels,
} from '@/core/editing';
import type { Bundle, ProposalDocument } from '@/model';
import type { DocumentBuilder } from './documents';
import { yoursToChoose } from './yoursToChoose';

/** A back porch in three levels from the same dimensions, with extras of which two hang together. */
export function porchInThreeLevels(
  b: DocumentBuilder,
  library: ReadonlyMap<string, BundleWithMakeup>,
): ProposalDocument {
  const bundle = (code: string, values: Record<string, string> = {}): Bundle => {
    const { makeup, ...head } = library.get(code)!;
    return { ...bundleFromLibrary(head, makeup, b.newId()), values };
  };
  const space = {
    shape: { kind: 'rectangle' as const, length: { value: '16' }, width: { value: '14' } },
    height: { value: '8' },
    openings: [],
  };
  const floor = bundle('B-FLOOR');
  const guard = bundle('B-GUARD', { run: '16 + 14' });
  const steps = bundle('B-STAIR');
  const roof = bundle('B-SHED');
  const screens = bundle('B-SCREEN');
  const ceiling = b.line('RF-060', '224', { detail: 'Under the rafters, painted pale' });
  const heater = b.extra(
    'EL-045',
    '2',
    { in: false, quantity: { minimum: '1', maximum: '4', step: '1' } },
    { detail: 'For evenings in April and October' },
  );
  const circuit = b.extra('EL-020', '1', { in: false }, { description: 'A circuit of its own, 20 A' });
  const door = b.question('Which door?', [
    { name: 'Wood screen door, painted', lines: [b.line('SC-020', '1')] },
    {
      name: 'Sliding glass door, 6 ft',
      detail: 'Closes the porch in winter',
      lines: [b.line('SC-040', '1')],
    },
  ]);
  const porch = { ...b.section('Porch', 'Sixteen by fourteen feet behind the kitchen.', []), space };
  const document: ProposalDocument = b.document(
    'Back porch in three levels',
    [
      {
        ...porch,
        entries: [bundle('B-FRAME'), floor, guard, steps, roof, screens, ceiling, door],
      },
      b.section('Light and warmth', '', [
        b.line('EL-010', '2'),
        b.extra('EL-030', '1', { in: true }),
        b.extra('EL-025', '3', { in: false, quantity: { minimum: '1', maximum: '6', step: '1' } }),
        heater,
        circuit,
      ]),
      {
        ...b.section('Old deck', 'Taken apart and hauled away; you can do that yourselves.', [
          b.line('GR-050', '150'),
        ]),
        extra: { in: true },
      },
      b.section('Yours to choose', 'Not decided yet: money is set aside, and you choose in good time.', [
        ...yoursToChoose(b),
      ]),
      b.section('Shade', '', [
        b.extra('SC-050', '4', { in: false, quantity: { minimum: '0', maximum: '8', step: '1' } }),
      ]),
    ],
    { shows: 'sections' },
  );
  addLevelsTo(document, b, { floor, guard, steps, roof, screens, ceiling: ceiling.id });
  setQuestion(document, door.id, {
    none: 'An open doorway',
    recommended: door.alternatives[0]!.id,
    reason: 'It fits the house, and you can have the glass one later.',
  });
  addRule(document, {
    id: b.newId(),
    when: { extra: heater.id },
    says: 'needs',
    other: { extra: circuit.id },
    reason: 'two heaters are more than the kitchen circuit bears',
  });
  return document;
}

function addLevelsTo(
  document: ProposalDocument,
  b: DocumentBuilder,
  parts: Record<'floor' | 'guard' | 'steps' | 'roof' | 'screens', Bundle> & { readonly ceiling: string },
): void {
  const id = addLevels(document, null, b.newId);
  const [plain, cedar, best, ...more] = document.tiers![0]!.levels;
  for (const level of more) removeLevel(document, id, level.id);
  const grades = (level: string, wanted: readonly [Bundle, string][]) => {
    for (const [bundle, grade] of wanted)
      setLevel(document, id, level, { grade: { bundle: bundle.id, grade } });
  };
  const { floor, guard, steps, roof, screens, ceiling } = parts;
  setLevel(document, id, plain!.id, {
    name: 'Plain',
    detail: 'Treated pine under a shingle roof',
    part: { id: ceiling, in: false },
  });
  setLevel(document, id, cedar!.id, {
    name: 'Cedar',
    detail: 'Cedar underfoot and at hand, a lined ceiling',
  });
  setLevel(document, id, best!.id, { name: 'For good', detail: 'Nothing to oil, nothing to paint' });
  grades(plain!.id, [
    [roof, 'shingle'],
    [screens, 'fine'],
  ]);
  grades(cedar!.id, [
    [floor, 'cedar'],
    [guard, 'cedar'],
    [steps, 'cedar'],
    [roof, 'shingle'],
    [screens, 'fine'],
  ]);
  grades(best!.id, [
    [floor, 'composite'],
    [guard, 'metal'],
    [steps, 'cedar'],
    [roof, 'metal'],
    [screens, 'pet'],
  ]);
  setLevels(document, id, {
    prompt: 'How shall the porch be made?',
    suggested: cedar!.id,
    recommended: cedar!.id,
    reason: 'Most of our porches are: it greys well and wants oil every third year.',
  });
}

import { useMemo, useState } from 'react';
import { parseMoneyInput, readPercent } from '@/core/quantity';
import type { Shaped, Spread, Target } from '@/core/shaping';
import { shapePrices } from '@/core/shaping';
import type { ProposalDocument } from '@/model';
import { useEditor } from '../context';

/** What is typed as a target; null while it is none. @throws Error in words for what cannot be read */
function readTarget(kind: Target['kind'], text: string, minorDigits: number): Target | null {
  if (text.trim() === '') return null;
  return kind === 'total'
    ? { kind, amount: parseMoneyInput(text, minorDigits) }
    : { kind, percent: readPercent(text, kind === 'margin' ? 99 : 999) };
}

type Preview = { readonly shaped: Shaped } | { readonly trouble: string } | null;

function preview(
  document: ProposalDocument,
  of: () => Target | null,
  ask: { readonly spread: Spread; readonly on: ReadonlySet<string> | null; readonly atCost: boolean },
): Preview {
  try {
    const target = of();
    return target && { shaped: shapePrices(document, { target, ...ask }) };
  } catch (error) {
    // What is typed cannot be read, or cannot be reached: a sentence either way.
    return { trouble: (error as Error).message };
  }
}

/** What the price is to be shaped to, as it is typed, and what would come of it. */
export function useShape() {
  const { work, figures, selected } = useEditor();
  const [kind, setKind] = useState<Target['kind']>('total');
  const [text, setText] = useState('');
  const [spread, setSpread] = useState<Spread>('cost');
  const [onlySelected, setOnlySelected] = useState(false);
  const [atCost, setAtCost] = useState(false);
  const { document } = work;
  const { minorDigits } = figures;
  const on = useMemo(() => {
    if (!onlySelected || selected.size === 0) return null;
    const lines = figures.sections.flatMap((section) => section.lines);
    return new Set(
      lines
        .filter(({ line, bundle }) => selected.has(line.id) || (bundle && selected.has(bundle.id)))
        .map(({ line }) => line.id),
    );
  }, [onlySelected, selected, figures]);
  const found = useMemo(
    () =>
      preview(document, () => readTarget(kind, text, minorDigits), {
        spread,
        on,
        atCost: atCost && on !== null,
      }),
    [document, kind, text, minorDigits, spread, on, atCost],
  );
  return {
    ...{ kind, setKind, text, setText, spread, setSpread },
    ...{ onlySelected, setOnlySelected, atCost, setAtCost },
    trouble: found && 'trouble' in found ? found.trouble : null,
    shaped: found && 'shaped' in found ? found.shaped : null,
  };
}

export type Shape = ReturnType<typeof useShape>;

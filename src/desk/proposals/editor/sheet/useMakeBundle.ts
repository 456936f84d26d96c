import { App } from 'antd';
import { produce } from 'immer';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { AskedInput, GatheredLines } from '@/core/editing';
import {
  becomeItem,
  bundleForLibrary,
  bundleOfLines,
  gatherLines,
  namedInputs,
  netOfLines,
  offerParts,
  putInBundle,
} from '@/core/editing';
import { computeFigures } from '@/core/price';
import type { Bundle } from '@/model';
import { useSubmit } from '@/ui/useSubmit';
import { newPartId, useEditor } from '../context';

/** The most parts a bundle of the library has. */
export const MOST_PARTS = 300;

/** A bundle that is being made of selected lines: what is typed for it, what it would be and cost, and the making. */
export function useMakeBundle(
  gathered: GatheredLines,
  ids: ReadonlySet<string>,
  done: (key: string) => void,
) {
  const { work, lines, libraryActions } = useEditor();
  const { message } = App.useApp();
  const { busy, refused, submit } = useSubmit();
  const [id] = useState(newPartId);
  const [name, setName] = useState('');
  const [asked, setAsked] = useState<readonly AskedInput[]>([]);
  const [quantities, setQuantities] = useState<Readonly<Record<string, string>>>({});
  const [keep, setKeep] = useState(false);
  const [code, setCode] = useState('');
  const [trade, setTrade] = useState(
    () => gathered.labels.trade ?? gathered.lines.find((line) => line.trade)?.trade ?? '',
  );
  const [wrong, setWrong] = useState<string | null>(null);
  const { document } = work;
  const named = useMemo(() => asked.filter(({ label }) => label.trim() !== ''), [asked]);
  const inputs = useMemo(() => namedInputs(document, named), [document, named]);
  const parts = useMemo(() => offerParts(document, gathered, inputs), [document, gathered, inputs]);
  const firsts = useMemo(() => new Map(parts.map(({ line, first }) => [line.id, first])), [parts]);
  const typedFor = (lineId: string) => quantities[lineId] ?? firsts.get(lineId) ?? '';
  const making = (called: string) => ({
    id,
    name: called,
    asked: named,
    quantities: Object.fromEntries(parts.map(({ line }) => [line.id, typedFor(line.id)])),
  });
  const made = tried(() => bundleOfLines(document, gathered, making(name.trim() || 'Bundle')));
  const then = made.bundle && tried(() => produce(document, (draft) => putInBundle(draft, made.bundle!)));
  const figures =
    then?.bundle &&
    computeFigures(then.bundle)
      .sections.flatMap(({ bundles }) => bundles.get(id) ?? [])
      .at(0);
  const before = netOfLines(gathered.lines, lines);
  const library = made.bundle && bundleForLibrary(made.bundle, document, code || 'CODE', trade);

  // What stands when an answer comes is what is put together, not what stood when it was asked for.
  const now = useRef(document);
  useEffect(() => {
    now.current = document;
  });
  const put = (
    after: (draft: Parameters<typeof putInBundle>[0], bundle: Bundle) => void = () => undefined,
  ) => {
    const still = gatherLines(now.current, ids);
    if (!still || still.lines.length !== gathered.lines.length)
      throw new Error('A line of it was taken out meanwhile. Select them again.');
    const bundle = bundleOfLines(now.current, still, making(name));
    work.edit((draft) => {
      putInBundle(draft, bundle);
      after(draft, bundle);
    });
    done(bundle.id);
  };
  const make = async () => {
    setWrong(null);
    try {
      if (made.wrong !== null) throw new Error(made.wrong);
      const bundle = bundleOfLines(document, gathered, making(name));
      if (!keep) return put();
      const { input, items } = bundleForLibrary(bundle, document, code, trade);
      await submit(() => libraryActions.addBundleWithItems(input), {
        then: (kept) => {
          try {
            put((draft) => {
              for (const { key, line } of items) becomeItem(draft, line, kept.items[key]!);
            });
          } catch (error) {
            setWrong(
              `It is in the library as ${kept.bundle.code}, but not on this sheet: ${(error as Error).message}`,
            );
            return;
          }
          void message.success(`“${kept.bundle.name}” is in the library as ${kept.bundle.code}.`);
        },
        rereads: false,
      });
    } catch (error) {
      setWrong((error as Error).message);
    }
  };
  return {
    name,
    setName,
    asked,
    setAsked,
    inputs,
    parts,
    typedFor,
    setQuantity: (lineId: string, text: string) => setQuantities((others) => ({ ...others, [lineId]: text })),
    bundle: made.bundle,
    /** Each part as it comes out; null where it cannot be computed. */
    sized: figures?.sized ?? null,
    before,
    after: figures?.net ?? null,
    library,
    keep,
    setKeep,
    code,
    setCode,
    trade,
    setTrade,
    busy,
    wrong: wrong ?? refused,
    cannot: made.wrong,
    make,
  };
}

function tried<T>(work: () => T): { readonly bundle: T | null; readonly wrong: string | null } {
  try {
    return { bundle: work(), wrong: null };
  } catch (error) {
    return { bundle: null, wrong: (error as Error).message };
  }
}

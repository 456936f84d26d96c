'use client';

import { Input, Modal } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import type { Found, FoundThing, GuideEntry } from '@/model';
import { askDoor } from '@/ui/askDoor';
import { goToAddress } from '@/ui/place/usePlace';
import { actsFor } from './acts';
import { useFound } from './useFound';
import './find.css';
import type { Permission } from '@/model';
import { useHeld } from '@/ui/may/May';

interface Choice {
  readonly key: string;
  readonly group: string;
  readonly title: string;
  readonly detail: string;
  readonly address: string;
}

const groups: Readonly<Record<FoundThing['kind'], string>> = {
  customer: 'Customers and sites',
  proposal: 'Proposals',
  agreement: 'Agreements',
  'change order': 'Change orders',
  invoice: 'Invoices',
  payment: 'Payments',
  bundle: 'Bundles',
  item: 'Items',
};

/** The list that has all of a kind. */
const lists: Readonly<Record<FoundThing['kind'], string>> = {
  customer: '/customers?search=',
  proposal: '/proposals?search=',
  agreement: '/agreements?search=',
  'change order': '/agreements?search=',
  invoice: '/money?search=',
  payment: '/money/payments?search=',
  bundle: '/library?kind=bundle&search=',
  item: '/library?kind=item&search=',
};

/** The pages of the guide that have all the words; none without one. */
const helpOf = (words: string, guide: readonly GuideEntry[]): Choice[] => {
  const each = words.toLowerCase().split(/\s+/).filter(Boolean);
  if (each.length === 0) return [];
  return guide
    .filter(({ title, also }) => each.every((word) => `help ${title} ${also}`.toLowerCase().includes(word)))
    .map(({ slug, title }) => ({
      ...{ key: `help ${slug}`, group: 'Help', title, detail: '', address: `/help/${slug}` },
    }));
};

const choicesOf = (
  words: string,
  { found, more }: Found,
  held: readonly Permission[],
  guide: readonly GuideEntry[],
): Choice[] => [
  ...found.flatMap(({ kind, id, title, detail, address }, i) => [
    { key: `${kind} ${id}`, group: groups[kind], title, detail, address },
    // Behind the last of its kind: where the others are.
    ...(more.includes(kind) && found[i + 1]?.kind !== kind
      ? [
          {
            key: `more ${kind}`,
            group: groups[kind],
            title: `All with “${words}” …`,
            detail: '',
            address: `${lists[kind]}${encodeURIComponent(words)}`,
          },
        ]
      : []),
  ]),
  ...actsFor(words, held).map(({ name, key, address }) => ({
    key: `act ${name}`,
    group: 'Go to',
    title: name,
    detail: key ?? '',
    address,
  })),
  ...helpOf(words, guide),
];

/** One field for everything: customers, sites, proposals, agreements, invoices, payments, items, and what can be begun. */
export function FindAnything({ close }: { readonly close: () => void }) {
  const router = useRouter();
  const held = useHeld();
  const [words, setWords] = useState('');
  const [at, setAt] = useState(0);
  /** Enter was pressed for these words before their answer was there. */
  const [eager, setEager] = useState<string | null>(null);
  const asked = words.trim();
  const { found, waiting, trouble } = useFound(asked);
  const [guide, setGuide] = useState<readonly GuideEntry[]>([]);
  useEffect(() => {
    const gone = new AbortController();
    // What is found besides goes on without it.
    askDoor<readonly GuideEntry[]>('/api/desk/help', { signal: gone.signal }).then(setGuide, () => undefined);
    return () => gone.abort();
  }, []);
  const choices = useMemo(() => choicesOf(asked, found, held, guide), [asked, found, held, guide]);
  const here = Math.min(at, Math.max(0, choices.length - 1));
  const open = (choice: Choice | undefined) => {
    if (!choice) return;
    close();
    goToAddress(router, choice.address);
  };
  const first = !waiting && eager === asked ? choices[0]?.address : undefined;
  useEffect(() => {
    if (first === undefined) return;
    close();
    goToAddress(router, first);
  }, [first, close, router]);
  return (
    <Modal
      open
      onCancel={close}
      footer={null}
      closable={false}
      width={620}
      title="Find anything"
      destroyOnHidden
    >
      <Input
        autoFocus
        size="large"
        role="combobox"
        aria-label="Find anything"
        aria-expanded
        aria-controls="found-things"
        aria-activedescendant={choices[here] ? `found-${here}` : undefined}
        placeholder="Customer, address, phone, number, item, or what to do"
        maxLength={100}
        value={words}
        onChange={({ target }) => {
          setWords(target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
          if (step !== undefined && choices.length > 0) {
            event.preventDefault();
            setAt((here + step + choices.length) % choices.length);
          } else if (event.key === 'Enter') {
            event.preventDefault();
            if (waiting) setEager(asked);
            else open(choices[here]);
          }
        }}
      />
      <div id="found-things" role="listbox" aria-label="Found" className="found" aria-busy={waiting}>
        {choices.map((choice, i) => (
          <div key={choice.key}>
            {choice.group !== choices[i - 1]?.group && (
              <div className="found-group" role="presentation">
                {choice.group}
              </div>
            )}
            <div
              id={`found-${i}`}
              role="option"
              tabIndex={-1}
              aria-selected={i === here}
              className="found-choice"
              ref={(element) => {
                if (i === here) element?.scrollIntoView({ block: 'nearest' });
              }}
              onMouseMove={() => setAt(i)}
              onClick={() => open(choice)}
              onKeyDown={(event) => event.key === 'Enter' && open(choice)}
            >
              <span>{choice.title}</span>
              <span className="soft">{choice.detail}</span>
            </div>
          </div>
        ))}
      </div>
      <p className="soft found-said" role="status">
        {trouble ??
          (waiting
            ? 'Looking …'
            : choices.length === 0
              ? `Nothing here has “${asked}”. Try fewer words.`
              : '↑ ↓ to choose, Enter to open')}
      </p>
    </Modal>
  );
}

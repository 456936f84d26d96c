'use client';

import { Select } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { unitName } from '@/model';
import type { Found } from './search';
import { findInLibrary } from './search';

/** Finds something of the library by a few letters and takes it. */
export function LibraryPicker({
  label,
  placeholder,
  shown,
  bundles = false,
  extra = [],
  pick,
}: {
  readonly label: string;
  readonly placeholder: string;
  /** What stands there now. */
  readonly shown: string | null;
  readonly bundles?: boolean;
  /** Choices besides what is found. */
  readonly extra?: readonly { readonly value: string; readonly label: string }[];
  readonly pick: (taken: Found | string) => void;
}) {
  const [found, setFound] = useState<readonly Found[]>([]);
  const request = useRef<AbortController | null>(null);
  useEffect(() => () => request.current?.abort(), []);
  const search = (words: string) => {
    request.current?.abort();
    if (words.trim() === '') {
      setFound([]);
      return;
    }
    const controller = new AbortController();
    request.current = controller;
    findInLibrary(words, undefined, controller.signal).then(
      (all) => setFound(all.filter(({ kind }) => bundles || kind === 'item')),
      () => undefined,
    );
  };
  const options = [
    ...extra,
    ...found.map((one) =>
      one.kind === 'item'
        ? { value: one.item.id, label: `${one.item.code} ${one.item.name} (${unitName(one.item.unit)})` }
        : { value: one.bundle.id, label: `${one.bundle.code} ${one.bundle.name} (bundle)` },
    ),
  ];
  return (
    <Select<string>
      size="small"
      showSearch={{ filterOption: false, onSearch: search }}
      aria-label={label}
      placeholder={placeholder}
      className="full-width"
      value={shown}
      options={options}
      popupMatchSelectWidth={380}
      notFoundContent="Type a few letters"
      onChange={(value) => {
        const one = found.find((each) => (each.kind === 'item' ? each.item.id : each.bundle.id) === value);
        pick(one ?? value);
        setFound([]);
      }}
    />
  );
}

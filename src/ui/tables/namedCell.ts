import type { TdHTMLAttributes } from 'react';

type CellAttributes = TdHTMLAttributes<HTMLElement> & { readonly 'data-title': string };

/** Attributes of a cell that carries the name of its column, to be shown beside it where there is no heading (a phone). */
export const namedCell = (title: string): CellAttributes => ({ 'data-title': title });

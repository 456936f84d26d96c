'use client';

import { Statistic } from 'antd';
import { showDecimal } from '@/core/number';

/** One figure of a page's head, with its name over it. */
export function Figure({
  name,
  value,
  wrong = false,
}: {
  readonly name: string;
  /** A decimal as text. */
  readonly value: string;
  readonly wrong?: boolean;
}) {
  return (
    <Statistic
      className={wrong ? 'figure figure-wrong' : 'figure'}
      title={name}
      value={value}
      // The text is written whole: no digit goes through a binary number.
      formatter={() => showDecimal(value)}
    />
  );
}

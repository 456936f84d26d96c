'use client';

import { Input } from 'antd';
import { useWordsInAddress } from '../../ui/useWordsInAddress';

/** Finds invoices and payments by what stands on them. */
export function FindMoney({ search }: { search: string }) {
  const [words, setWords] = useWordsInAddress(search, (typed) =>
    typed ? `/money?search=${encodeURIComponent(typed)}` : '/money',
  );
  return (
    <Input
      placeholder="Find by number, customer, work, reference"
      aria-label="Find invoices and payments"
      allowClear
      value={words}
      onChange={(event) => setWords(event.target.value)}
      style={{ maxWidth: 340 }}
    />
  );
}

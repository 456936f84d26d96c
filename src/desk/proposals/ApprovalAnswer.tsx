'use client';

import { Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Approval } from '@/services/proposals/approval';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';

/** What is asked of the owner, and their yes or no. */
export function ApprovalAnswer({
  approval,
  answer,
}: {
  approval: Approval;
  answer: (input: unknown) => Promise<Answer<void>>;
}) {
  const router = useRouter();
  const [words, setWords] = useState('');
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const say = async (verdict: 'yes' | 'no') => {
    setBusy(true);
    const given = await asked(answer({ approvalId: approval.id, verdict, answer: words }));
    setBusy(false);
    setTrouble(given.ok ? null : given.problem.detail);
    router.refresh();
  };
  return (
    <>
      <ul className="reasons">
        {approval.reasons.map((reason) => (
          <li key={reason}>{reason}</li>
        ))}
      </ul>
      {approval.words && <p className="said">“{approval.words}”</p>}
      {trouble && <p className="wrong">{trouble}</p>}
      <div className="verdict">
        <Input
          aria-label="A word to go with the answer"
          placeholder="a word to go with it"
          maxLength={2000}
          value={words}
          onChange={({ target }) => setWords(target.value)}
        />
        <Button type="primary" loading={busy} onClick={() => void say('yes')}>
          Yes, it may go out
        </Button>
        <Button loading={busy} onClick={() => void say('no')}>
          No
        </Button>
      </div>
    </>
  );
}

'use client';

import { Button, Input } from 'antd';
import type { Approval } from '@/services/proposals/approval';
import type { Answer } from '@/model';
import { useKeptText } from '@/ui/kept/useKeptText';
import { useSubmit } from '@/ui/useSubmit';

/** What is asked of the owner, and their yes or no. */
export function ApprovalAnswer({
  approval,
  answer,
}: {
  readonly approval: Approval;
  readonly answer: (input: unknown) => Promise<Answer<void>>;
}) {
  const [words, setWords, done] = useKeptText(`answer ${approval.id}`);
  const { busy, refused, submit } = useSubmit();
  const say = (verdict: 'yes' | 'no') =>
    submit(() => answer({ approvalId: approval.id, verdict, answer: words }), { then: () => done() });
  return (
    <>
      <ul className="reasons">
        {approval.reasons.map((reason) => (
          <li key={reason}>{reason}</li>
        ))}
      </ul>
      {approval.words && <p className="said">“{approval.words}”</p>}
      {refused && <p className="wrong">{refused}</p>}
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

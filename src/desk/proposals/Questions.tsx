'use client';

import { Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useKeptText } from '@/ui/kept/useKeptText';
import { showDay } from '@/core/text/dates';
import type { Answer } from '@/model';
import { asked } from '@/ui/asked';
import './editor/change/change.css';

interface Asked {
  readonly id: string;
  readonly words: string;
  readonly on: string;
  readonly answer: string | null;
}

/** A question of the customer, and our answer or the place to give it. */
export function Question({
  question,
  answer,
}: {
  question: Asked;
  /** Null: it cannot be answered here. */
  answer: ((input: unknown) => Promise<Answer<void>>) | null;
}) {
  const router = useRouter();
  const [words, setWords, done] = useKeptText(`answer ${question.id}`);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const say = async () => {
    setBusy(true);
    const given = await asked(answer!({ questionId: question.id, answer: words }));
    setBusy(false);
    setTrouble(given.ok ? null : given.problem.detail);
    if (given.ok) done();
    router.refresh();
  };
  return (
    <div className="asked-at-desk">
      <span className="soft">{showDay(question.on)}</span> “{question.words}”
      {question.answer !== null ? (
        <div>{question.answer}</div>
      ) : (
        answer && (
          <div className="verdict">
            <Input.TextArea
              aria-label={`Answer to: ${question.words}`}
              placeholder="your answer; it goes out by mail, too"
              rows={2}
              maxLength={2000}
              value={words}
              onChange={({ target }) => setWords(target.value)}
            />
            <Button type="primary" loading={busy} disabled={words.trim() === ''} onClick={say}>
              Answer
            </Button>
          </div>
        )
      )}
      {trouble && <p className="wrong">{trouble}</p>}
    </div>
  );
}

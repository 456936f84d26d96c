'use client';

import { Button, Input } from 'antd';
import { useKeptText } from '@/ui/kept/useKeptText';
import { showDay } from '@/core/text/dates';
import type { Answer } from '@/model';
import { useSubmit } from '@/ui/useSubmit';
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
  const [words, setWords, done] = useKeptText(`answer ${question.id}`);
  const { busy, refused, submit } = useSubmit();
  const say = () => submit(() => answer!({ questionId: question.id, answer: words }), { then: () => done() });
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
            <Button type="primary" loading={busy} disabled={words.trim() === ''} onClick={() => void say()}>
              Answer
            </Button>
          </div>
        )
      )}
      {refused && <p className="wrong">{refused}</p>}
    </div>
  );
}

'use client';

import { Alert, Button, Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Answer } from '@/model';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import { useSubmit } from '@/ui/useSubmit';

const asText = (names: readonly string[]) => names.join('\n');
const asNames = (text: string) =>
  text
    .split('\n')
    .map((name) => name.trim())
    .filter((name) => name !== '');

/** In what the company counts beside the units everybody knows: rolls, sheets, bags. */
export function UnitsPanel({
  stored,
  mayChange,
  save,
}: {
  readonly stored: readonly string[];
  readonly mayChange: boolean;
  readonly save: (input: unknown) => Promise<Answer<readonly string[]>>;
}) {
  const [over, setOver] = useState(stored);
  const [text, setText] = useState(asText(stored));
  const { done, notice } = useKeptForm(mayChange ? 'own units' : null, text, asText(over), setText);
  const router = useRouter();
  const { busy, refused, submit } = useSubmit();
  const store = () => {
    const asked = text;
    void submit(() => save({ names: asNames(asked), over }), {
      said: 'Units saved.',
      then: (now) => {
        setOver(now);
        // What was typed since the press stays.
        setText((since) => (since === asked ? asText(now) : since));
        done();
        // Every select of the desk offers them from now on.
        router.refresh();
      },
    });
  };
  return (
    <div className="panel own-units">
      {notice}
      <label>
        Units of your own, a line each: roll, sheet, bag. They are offered beside those everybody knows.
        <Input.TextArea
          className="above-less"
          rows={Math.min(12, Math.max(3, text.split('\n').length))}
          readOnly={!mayChange}
          maxLength={2000}
          value={text}
          onChange={({ target }) => setText(target.value)}
        />
      </label>
      {refused && <Alert type="error" title={refused} className="below" />}
      {mayChange ? (
        <Button type="primary" className="above-less" loading={busy} onClick={store}>
          Save the units
        </Button>
      ) : (
        <span className="soft">Your role does not change this.</span>
      )}
    </div>
  );
}

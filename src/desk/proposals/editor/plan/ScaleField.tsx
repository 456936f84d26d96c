import { Button, Input } from 'antd';
import { useState } from 'react';
import { typedDimension } from '@/core/space';
import { useEditorActions } from '../context';
import type { Plan } from '@/model';

/** Asks how long the two points of the scale are apart. */
export function ScaleField({
  plan,
  take,
  cancel,
}: {
  readonly plan: Plan;
  readonly take: (typed: string) => void;
  readonly cancel: () => void;
}) {
  const { measuring } = useEditorActions();
  const [typed, setTyped] = useState(typedDimension(plan.scale?.length, measuring));
  const [trouble, setTrouble] = useState<string | null>(null);
  return (
    <form
      className="plan-ask"
      onSubmit={(event) => {
        event.preventDefault();
        try {
          take(typed);
        } catch (error) {
          setTrouble((error as Error).message);
        }
      }}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Escape') cancel();
      }}
    >
      <label>
        How far apart are they?{' '}
        <Input
          size="small"
          autoFocus
          className="bar-field"
          placeholder={measuring === 'us' ? `16' 0"` : '4.8'}
          value={typed}
          onChange={({ target }) => setTyped(target.value)}
          onFocus={({ target }) => target.select()}
        />
      </label>
      <Button size="small" type="primary" htmlType="submit">
        Set the scale
      </Button>
      <Button size="small" type="text" onClick={cancel}>
        Cancel
      </Button>
      {trouble && <span className="wrong">{trouble}</span>}
    </form>
  );
}

'use client';

import { UnorderedListOutlined } from '@ant-design/icons';
import { Button, Drawer } from 'antd';
import { useMemo, useState } from 'react';
import { menuOf } from '@/core/choice';
import { checkDocument } from '@/core/offer';
import { useEditor } from './context';
import { Outline } from './Outline';
import type { Step } from './steps';
import { steps } from './steps';

/** The steps in the order of the work; on a tablet also the way to the sections, that stand beside the sheet elsewhere. */
export function StepsNav({
  step,
  go,
  outline,
}: {
  readonly step: Step;
  readonly go: (step: Step) => void;
  /** The sections are not in view, and can be opened. */
  readonly outline: boolean;
}) {
  const { work } = useEditor();
  const [opened, setOpened] = useState(false);
  const problems = useMemo(() => checkDocument(work.document), [work.document]);
  const menu = menuOf(work.document);
  const choices = menu.extras.length + menu.questions.length + menu.tiers.length;
  return (
    <nav className="steps" aria-label="Steps">
      {outline && (
        <Button
          type="text"
          className="steps-outline"
          icon={<UnorderedListOutlined aria-hidden="true" />}
          onClick={() => setOpened(true)}
        >
          Sections
        </Button>
      )}
      {steps.map((name) => (
        <button
          key={name}
          type="button"
          className="step-name"
          aria-current={name === step ? 'step' : undefined}
          onClick={() => go(name)}
        >
          {name}
          {name === 'Choices' && choices > 0 && <span className="step-count">{choices}</span>}
        </button>
      ))}
      <span className="soft steps-open">
        {problems.length > 0 && (
          <Button type="link" size="small" onClick={() => go('Send')}>
            {problems.length} open point{problems.length > 1 ? 's' : ''}
          </Button>
        )}
      </span>
      {outline && (
        <Drawer
          open={opened}
          placement="left"
          size={320}
          title="Sections"
          onClose={() => setOpened(false)}
          destroyOnHidden
        >
          <Outline left={() => setOpened(false)} />
        </Drawer>
      )}
    </nav>
  );
}

'use client';

import { RedoOutlined, UndoOutlined } from '@ant-design/icons';
import { Button, Tooltip } from 'antd';
import Link from 'next/link';
import type { ProposalAtDesk } from '@/services/proposals/read';
import { StateMark } from '@/ui/StateMark';
import { useEditor } from './context';
import type { SaveAsTemplate } from './MoreActs';
import { MoreActs } from './MoreActs';
import type { Saving } from './useDocument';

function SavingMark({ saving, typing }: { readonly saving: Saving; readonly typing: boolean }) {
  if (saving.state === 'saved' && typing) return <span className="soft">Typing …</span>;
  if (saving.state === 'saved') return <span className="soft">All changes saved</span>;
  if (saving.state === 'saving') return <span className="soft">Saving …</span>;
  return <span className="wrong">Not saved</span>;
}

/** What is worked on and for whom, whether it is saved, and what can be done with the whole of it. */
export function EditorHead({
  proposal,
  open,
  saveAsTemplate,
  send,
}: {
  readonly proposal: ProposalAtDesk;
  /** It could still be changed, by whoever may. */
  readonly open: boolean;
  readonly saveAsTemplate: SaveAsTemplate;
  readonly send: (() => void) | null;
}) {
  const { work, readOnly } = useEditor();
  return (
    <header className="editor-head">
      <h1>{work.document.title}</h1>
      <StateMark state={proposal.state} />
      <span className="soft editor-who">
        <Link href={`/customers/${proposal.customer.id}`} prefetch={false}>
          {proposal.customer.name}
        </Link>{' '}
        · {proposal.site.line}
      </span>
      <span className="editor-actions">
        <span role="status">
          {readOnly ? (
            <span className="soft">
              {open ? 'To read only: the seller changes it' : 'Closed for changes'}
            </span>
          ) : (
            <SavingMark saving={work.saving} typing={work.typing} />
          )}
        </span>
        {!readOnly && (
          <>
            <Tooltip title="Undo (Ctrl Z)">
              <Button
                type="text"
                size="small"
                icon={<UndoOutlined />}
                aria-label="Undo"
                disabled={!work.canUndo}
                onClick={work.undo}
              />
            </Tooltip>
            <Tooltip title="Redo (Ctrl Y)">
              <Button
                type="text"
                size="small"
                icon={<RedoOutlined />}
                aria-label="Redo"
                disabled={!work.canRedo}
                onClick={work.redo}
              />
            </Tooltip>
          </>
        )}
        {proposal.mayEdit && !proposal.change && (
          <MoreActs
            proposalId={proposal.id}
            title={work.document.title}
            seller={proposal.seller}
            settle={work.settle}
            saveAsTemplate={saveAsTemplate}
          />
        )}
        {proposal.agreement && (
          <Link href={`/agreements/${proposal.agreement.id}`} prefetch={false}>
            Agreement {proposal.agreement.number}
          </Link>
        )}
        {send && (
          <Tooltip title="Ctrl ↵">
            <Button type="primary" onClick={send}>
              Preview and send
            </Button>
          </Tooltip>
        )}
      </span>
    </header>
  );
}

'use client';

import { Button, Popconfirm } from 'antd';
import { CustomerNoticeBar } from '@/desk/customers/CustomerNoticeBar';
import type { ProposalAtDesk } from '@/services/proposals/read';
import { useEditor } from './context';

/** What must be known before going on: what could not be saved, and what the customer has not seen. */
export function EditorBanners({ proposal }: { readonly proposal: ProposalAtDesk }) {
  const { work } = useEditor();
  const { saving } = work;
  return (
    <>
      <CustomerNoticeBar notice={proposal.customer.notice} customerId={proposal.customer.id} />
      {saving.state === 'waiting' && (
        <div className="banner" role="alert">
          {saving.why}
          {saving.refused && (
            <Popconfirm
              title="Delete what is not saved?"
              okText="Delete it"
              cancelText="Cancel"
              onConfirm={work.dropMine}
            >
              <Button size="small">Go on without my last changes</Button>
            </Popconfirm>
          )}
        </div>
      )}
      {saving.state === 'collided' && (
        <div className="banner" role="alert">
          {saving.why} Your last changes and theirs touch the same place.
          <Button size="small" onClick={work.dropMine}>
            Go on with theirs
          </Button>
          <Button size="small" onClick={work.keepMine}>
            Put mine over theirs
          </Button>
        </div>
      )}
      {proposal.declinedBecause && <div className="banner">Declined: “{proposal.declinedBecause}”</div>}
      {proposal.state === 'sent' && proposal.sentSaveNumber !== work.saveNumber && (
        <div className="banner">
          Changed since revision {proposal.revisions[0]?.number} was sent. The customer sees the changes when
          you send again.
        </div>
      )}
    </>
  );
}

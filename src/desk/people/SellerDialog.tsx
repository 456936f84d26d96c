'use client';

import { Alert, Modal, Select } from 'antd';
import { useEffect, useState } from 'react';
import { asked } from '@/ui/asked';
import { useSubmit } from '@/ui/useSubmit';
import type { SellerActs } from './Sellers';

/** Gives a proposal, and the job it became, to another seller. */
export function SellerDialog({
  proposalId,
  seller,
  acts,
  close,
}: {
  readonly proposalId: string;
  /** What who sells it now is called. */
  readonly seller: string;
  readonly acts: SellerActs;
  readonly close: () => void;
}) {
  const { busy, refused, setRefused, submit } = useSubmit();
  const [offered, setOffered] = useState<readonly { id: string; name: string }[] | null>(null);
  const [to, setTo] = useState<string | null>(null);
  const { list } = acts;
  useEffect(() => {
    let here = true;
    void asked(list()).then((answer) => {
      if (!here) return;
      if (answer.ok) setOffered(answer.value);
      else setRefused(answer.problem.detail);
    });
    return () => {
      here = false;
    };
    // Asked once, when it opens.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [list]);
  const next = offered?.find(({ id }) => id === to);
  return (
    <Modal
      open
      title="Give it to another seller"
      okText={next ? `Give it to ${next.name}` : 'Give it'}
      cancelText="Cancel"
      okButtonProps={{ disabled: !next }}
      confirmLoading={busy}
      onOk={() =>
        void submit(() => acts.change({ proposalId, sellerId: to! }), {
          said: `${next?.name ?? ''} sells it now.`,
          then: close,
        })
      }
      onCancel={close}
    >
      {refused && <Alert type="error" title={refused} className="below" />}
      <p>{seller} sells it now. That it changed, and by whom, stands in the record.</p>
      <Select
        className="seller-select"
        aria-label="Who sells it from now on"
        placeholder="Who sells it from now on"
        loading={offered === null}
        value={to}
        showSearch={{ optionFilterProp: 'label' }}
        options={(offered ?? []).map(({ id, name }) => ({
          value: id,
          label: name,
          disabled: name === seller,
        }))}
        onChange={setTo}
      />
    </Modal>
  );
}

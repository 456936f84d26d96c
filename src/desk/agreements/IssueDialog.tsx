'use client';

import { Alert, App, Modal, Spin } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { InvoicePreview } from '@/acts/agreements/issue';
import { isNothing, showDecimal } from '@/core/number';
import type { IssueInput } from '@/model';
import type { AgreementActions } from './AgreementPage';

/** An invoice line by line before it is issued. Issued, it never changes. */
export function IssueDialog({
  agreementId,
  what,
  actions,
  close,
}: {
  agreementId: string;
  what: IssueInput['what'];
  actions: AgreementActions;
  close: () => void;
}) {
  const router = useRouter();
  const { message } = App.useApp();
  const [preview, setPreview] = useState<InvoicePreview | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  useEffect(() => {
    let here = true;
    void actions.preview({ agreementId, what }).then((answer) => {
      if (!here) return;
      if (answer.ok) setPreview(answer.value);
      else setRefused(answer.problem.detail);
    });
    return () => {
      here = false;
    };
  }, [actions, agreementId, what]);

  const issue = async () => {
    setBusy(true);
    const answer = await actions.issue({ agreementId, what });
    setBusy(false);
    if (!answer.ok) {
      setRefused(answer.problem.detail);
      return;
    }
    message.success(`Invoice ${answer.value.number} is issued.`);
    router.refresh();
    close();
  };

  return (
    <Modal
      open
      width={720}
      title={preview ? `Invoice for “${preview.title}”` : 'Invoice'}
      okText="Issue invoice"
      cancelText="Leave it"
      okButtonProps={{ disabled: !preview || refused !== null }}
      confirmLoading={busy}
      onOk={issue}
      onCancel={close}
    >
      {refused && <Alert type="error" title={refused} />}
      {!preview && !refused && <Spin />}
      {preview && (
        <>
          <div style={{ maxHeight: 300, overflowY: 'auto' }}>
            <table className="table-plain">
              <thead>
                <tr>
                  <th>Work</th>
                  <th className="amount">Agreed</th>
                  <th className="amount">Before</th>
                  <th className="amount">This invoice</th>
                </tr>
              </thead>
              <tbody>
                {preview.lines.map((line) => (
                  <tr key={line.id}>
                    <td>
                      {line.description} <span className="soft">{line.section}</span>
                    </td>
                    <td className="amount">{showDecimal(line.agreed)}</td>
                    <td className="amount">{isNothing(line.before) ? '' : showDecimal(line.before)}</td>
                    <td className="amount">{showDecimal(line.now)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <dl className="pairs" style={{ maxWidth: 340, margin: '14px 0 0 auto' }}>
            <dt>Net</dt>
            <dd>{showDecimal(preview.net)}</dd>
            {preview.taxes.map((tax) => (
              <Pair key={tax.name} name={`${tax.name} ${showDecimal(tax.percent)} %`} value={tax.amount} />
            ))}
            <dt className="sum">To pay</dt>
            <dd className="sum">{showDecimal(preview.total)}</dd>
            <dt className="soft">Contract sum</dt>
            <dd className="soft">{showDecimal(preview.contractSum)}</dd>
            <dt className="soft">Billed before</dt>
            <dd className="soft">{showDecimal(preview.billedBefore)}</dd>
            <dt className="soft">Left after</dt>
            <dd className="soft">{showDecimal(preview.leftAfter)}</dd>
          </dl>
        </>
      )}
    </Modal>
  );
}

function Pair({ name, value }: { name: string; value: string }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{showDecimal(value)}</dd>
    </>
  );
}

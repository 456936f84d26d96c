'use client';

import { ShopOutlined } from '@ant-design/icons';
import { Modal } from 'antd';
import { useState } from 'react';
import type { listOwnCompanies } from '@/services/entering/companies';
import type { Answer } from '@/model';
import { useSubmit } from '@/ui/useSubmit';

export type OwnCompanies = Awaited<ReturnType<typeof listOwnCompanies>>;
export type SwitchTo = (id: string) => Promise<Answer<unknown>>;

/** Which company one is in, and going on in another; only for who works for several. */
export function CompanySwitch({
  companies,
  switchTo,
}: {
  readonly companies: OwnCompanies;
  readonly switchTo: SwitchTo;
}) {
  const { busy, submit } = useSubmit({ tells: true });
  const [open, setOpen] = useState(false);
  const here = companies.find((each) => each.here);
  const go = (id: string) =>
    void submit(() => switchTo(id), {
      // Everything on the page is of the company it was: it is loaded anew, not gone to.
      then: () => window.location.assign(new URL('/today', window.location.href)),
      rereads: false,
    });
  return (
    <>
      <button
        type="button"
        className="rail-place rail-beyond"
        title={`${here?.name ?? ''}: go on in another company`}
        onClick={() => setOpen(true)}
      >
        <ShopOutlined aria-hidden="true" />
        <span>Company</span>
      </button>
      <Modal open={open} title="Your companies" footer={null} onCancel={() => setOpen(false)}>
        <ul className="own-companies">
          {companies.map(({ id, name, role, demo, here: isHere }) => (
            <li key={id}>
              <button type="button" disabled={isHere || busy} onClick={() => go(id)}>
                <strong>{name}</strong>
                <span className="soft">
                  {role}
                  {demo ? ', a demo' : ''}
                  {isHere ? ', you are here' : ''}
                </span>
              </button>
            </li>
          ))}
        </ul>
      </Modal>
    </>
  );
}

'use client';

import { Alert, Button, Form, Input, Modal } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { readCustomer } from '@/services/customers/customers';
import { isNothing, showDecimal } from '@/core/number';
import type { Answer, SiteInput } from '@/model';
import { showDay } from '@/core/text/dates';
import { LinkButton } from '@/ui/LinkButton';
import { StateMark } from '@/ui/StateMark';
import { Track } from '@/ui/Track';
import { AddressFields, emptyAddress } from './AddressFields';
import type { SaveCustomer } from './CustomerForm';
import { CustomerForm } from './CustomerForm';
import { useKeptFields } from '@/ui/kept/useKeptFields';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useSubmit } from '@/ui/useSubmit';

type Found = Awaited<ReturnType<typeof readCustomer>>;
type SaveSite = (input: SiteInput, id?: string, over?: SiteInput) => Promise<Answer<{ id: string }>>;
type Site = Found['sites'][number];

function SiteForm({
  customerId,
  site,
  save,
  close,
}: {
  customerId: string;
  site: Site | null;
  save: SaveSite;
  close: () => void;
}) {
  const [form] = Form.useForm<Omit<SiteInput, 'customerId'>>();
  const { busy, refused, submit } = useSubmit();
  const values = { address: site?.address ?? emptyAddress, internalNote: site?.internalNote ?? '' };
  /** As it was read when the form was opened. */
  const [over] = useState(values);
  const { done, notice } = useKeptFields(`site ${site?.id ?? `of ${customerId}`}`, form, values);
  const send = (given: Omit<SiteInput, 'customerId'>) =>
    submit(() => save({ customerId, ...given }, site?.id, site ? { customerId, ...over } : undefined), {
      then: () => {
        done();
        close();
      },
    });
  return (
    <Modal
      open
      title={site ? 'Change site' : 'New site'}
      okText={site ? 'Save' : 'Add site'}
      cancelText="Cancel"
      confirmLoading={busy}
      onOk={form.submit}
      onCancel={close}
    >
      {notice}
      {refused && <Alert type="error" title={refused} className="below" />}
      <Form
        form={form}
        disabled={busy}
        layout="vertical"
        requiredMark={false}
        initialValues={values}
        onFinish={send}
      >
        <AddressFields under="address" />
        <Form.Item name="internalNote" label="Only for us: gate code, dog, where to park">
          <Input.TextArea autoSize={{ minRows: 2 }} />
        </Form.Item>
      </Form>
    </Modal>
  );
}

/** One customer: addresses, notes for us, and what we did and offered so far. */
export function CustomerPage({
  found,
  save,
  saveSite,
}: {
  found: Found;
  save: SaveCustomer;
  saveSite: SaveSite;
}) {
  const { customer, sites, proposals, agreements, owed } = found;
  const router = useRouter();
  const [editing, setEditing] = useState(false);
  const [site, setSite] = useState<Site | 'new' | null>(null);
  const { id, ...values } = customer;
  return (
    <div className="page">
      <header className="page-head">
        <h1>{customer.name}</h1>
        <span className="page-actions">
          {agreements.length > 0 && (
            <LinkButton download href={`/api/v1/customers/${id}/account.pdf`}>
              Statement of account
            </LinkButton>
          )}
          <Button onClick={() => setEditing(true)}>Change</Button>
          <LinkButton primary href={`/proposals/new?customer=${id}`}>
            New proposal
          </LinkButton>
        </span>
      </header>
      {!isNothing(owed.open) && (
        <p>
          Owes {showDecimal(owed.open)} {owed.currency}
          {!isNothing(owed.late) && <span className="wrong">, {showDecimal(owed.late)} of it late</span>}.
        </p>
      )}
      {customer.taxExempt && <p className="soft">Pays no tax: {customer.taxExempt}</p>}
      {customer.internalNote && <p className="note-ours">{customer.internalNote}</p>}
      <div className="columns-2">
        <div>
          <h2>Proposals</h2>
          {proposals.length === 0 ? (
            <p className="empty">Nothing offered yet.</p>
          ) : (
            <PlainTable
              label="Proposals"
              headless
              rows={proposals}
              rowKey={({ id }) => id}
              columns={[
                { key: 'number', title: 'No.', cell: ({ number }) => <span className="soft">{number}</span> },
                {
                  key: 'title',
                  title: 'Proposal',
                  cell: ({ id, title }) => (
                    <Link href={`/proposals/${id}`} prefetch={false}>
                      {title}
                    </Link>
                  ),
                },
                { key: 'state', title: 'State', cell: ({ state }) => <StateMark state={state} /> },
                {
                  key: 'changed',
                  title: 'Last change',
                  cell: ({ changedOn }) => <span className="soft">{showDay(changedOn)}</span>,
                },
                { key: 'total', title: 'Total', figure: true, cell: ({ total }) => showDecimal(total) },
              ]}
            />
          )}
          {agreements.length > 0 && (
            <>
              <h2>Agreements</h2>
              <PlainTable
                label="Agreements"
                headless
                rows={agreements}
                rowKey={({ id }) => id}
                columns={[
                  {
                    key: 'number',
                    title: 'No.',
                    cell: ({ number }) => <span className="soft">{number}</span>,
                  },
                  {
                    key: 'title',
                    title: 'Agreement',
                    cell: ({ id, title }) => (
                      <Link href={`/agreements/${id}`} prefetch={false}>
                        {title}
                      </Link>
                    ),
                  },
                  { key: 'track', title: '', width: '40%', cell: ({ track }) => <Track parts={track} /> },
                  {
                    key: 'sum',
                    title: 'Sum to date',
                    figure: true,
                    cell: ({ standing }) => showDecimal(standing.sumToDate),
                  },
                ]}
              />
            </>
          )}
        </div>
        <aside>
          <div className="panel">
            <h2>Sites</h2>
            {sites.map((each) => (
              <p key={each.id} className="above-least">
                {each.line}{' '}
                <Button size="small" type="link" onClick={() => setSite(each)}>
                  change
                </Button>
                {each.internalNote && <span className="note-ours block">{each.internalNote}</span>}
              </p>
            ))}
            <Button size="small" onClick={() => setSite('new')}>
              Add a site
            </Button>
            <h2 className="above-more">Billing address</h2>
            <p className="no-space">
              {customer.billing.street}
              <br />
              {customer.billing.city}, {customer.billing.region} {customer.billing.postcode}
            </p>
            <h2 className="above-more">Reach them</h2>
            <p className="no-space">
              {customer.contactName}
              <br />
              {customer.phone}
              <br />
              {customer.email}
            </p>
          </div>
        </aside>
      </div>
      {editing && (
        <CustomerForm
          id={id}
          values={values}
          save={save}
          close={() => setEditing(false)}
          done={() => {
            setEditing(false);
            router.refresh();
          }}
        />
      )}
      {site && (
        <SiteForm
          customerId={id}
          site={site === 'new' ? null : site}
          save={saveSite}
          close={() => setSite(null)}
        />
      )}
    </div>
  );
}

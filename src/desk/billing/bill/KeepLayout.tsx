import { Alert, Button, Checkbox, Input, Popconfirm, Radio } from 'antd';
import { useState } from 'react';
import type { ProgressBilling } from '@/services/billing/progressBilling';
import { layoutInWords } from '@/core/text/layoutInWords';
import type { InvoiceShows } from '@/model';
import { useSubmit } from '@/ui/useSubmit';
import type { LayoutActions } from './layoutActions';

/** The layouts that are kept: taken, made the usual one, deleted. */
function KeptLayouts({
  work,
  change,
  actions,
}: {
  readonly work: ProgressBilling;
  readonly change: (shows: InvoiceShows) => void;
  readonly actions: LayoutActions;
}) {
  const { busy, submit } = useSubmit({ tells: true });
  return (
    <ul className="layout-kept">
      {work.layouts.map(({ id, name, forAll, usual, shows }) => (
        <li key={id}>
          <div>
            <strong>{name}</strong>
            <span className="soft">
              {' '}
              · {forAll ? 'for all agreements' : 'of this agreement'}
              {usual && ' · invoices begin with it'}
            </span>
            <div className="soft">{layoutInWords(shows)}</div>
          </div>
          <div className="layout-acts">
            <Button size="small" onClick={() => change(shows)}>
              Use
            </Button>
            {forAll && work.maySetUsual && (
              <Button
                size="small"
                disabled={busy}
                onClick={() =>
                  void submit(() => actions.setUsualLayout({ id: usual ? null : id }), {
                    said: usual ? 'Invoices begin plainly again.' : `Invoices begin with “${name}”.`,
                  })
                }
              >
                {usual ? 'Usual no more' : 'Make it usual'}
              </Button>
            )}
            {(!usual || work.maySetUsual) && (
              <Popconfirm
                title={`Delete the layout “${name}”?`}
                description="Invoices that were laid out by it keep their look."
                okText="Delete layout"
                cancelText="Cancel"
                onConfirm={() =>
                  submit(() => actions.deleteLayout({ id }), { said: `The layout “${name}” is deleted.` })
                }
              >
                <Button size="small" type="text" disabled={busy}>
                  Delete
                </Button>
              </Popconfirm>
            )}
          </div>
        </li>
      ))}
    </ul>
  );
}

/** Keeps the layout under a name, and lists those that are kept. */
export function KeepLayout({
  work,
  shows,
  change,
  actions,
}: {
  readonly work: ProgressBilling;
  readonly shows: InvoiceShows;
  readonly change: (shows: InvoiceShows) => void;
  readonly actions: LayoutActions;
}) {
  const [name, setName] = useState('');
  const [forAll, setForAll] = useState(true);
  const [usual, setUsual] = useState(false);
  const { busy, refused, submit } = useSubmit();
  const replaced = work.layouts.find(
    (layout) => layout.forAll === forAll && layout.name.toLowerCase() === name.trim().toLowerCase(),
  );
  const singles = shows.each !== undefined || shows.eachBundle !== undefined;
  return (
    <section className="layout-keep">
      <h3>Kept layouts</h3>
      {work.layouts.length > 0 && <KeptLayouts work={work} change={change} actions={actions} />}
      <form
        onSubmit={(event) => {
          event.preventDefault();
          const kept = { agreementId: work.id, name: name.trim(), forAll, usual: forAll && usual, shows };
          void submit(() => actions.keepLayout(kept), {
            said: `The layout “${kept.name}” is kept.`,
            then: () => setName((now) => (now.trim() === kept.name ? '' : now)),
          });
        }}
      >
        <label className="bill-field">
          Keep this layout as
          <Input
            value={name}
            maxLength={60}
            placeholder="Short, for the bank, …"
            onChange={({ target }) => setName(target.value)}
          />
        </label>
        <Radio.Group
          value={forAll}
          onChange={({ target }) => setForAll(target.value as boolean)}
          options={[
            { value: true, label: 'For all agreements' },
            { value: false, label: 'For this agreement' },
          ]}
        />
        {forAll && singles && (
          <p className="soft">Single rows are of this agreement alone: they are not kept for all.</p>
        )}
        {forAll && work.maySetUsual && (
          <Checkbox checked={usual} onChange={({ target }) => setUsual(target.checked)}>
            Invoices begin with it
          </Checkbox>
        )}
        {replaced && <p className="soft">Replaces “{replaced.name}”.</p>}
        {refused && <Alert type="error" title={refused} />}
        <Button htmlType="submit" loading={busy} disabled={name.trim() === ''}>
          Keep layout
        </Button>
      </form>
    </section>
  );
}

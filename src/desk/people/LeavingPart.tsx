'use client';

import { Button, Select } from 'antd';
import { useState } from 'react';
import { counted } from '@/core/text/counted';
import { useConfirmed } from '@/ui/useConfirmed';
import { useSubmit } from '@/ui/useSubmit';
import type { PeopleActions, PersonView } from './actions';

/** What becomes of somebody's work: handed over while they stay, or when they leave. */
export function LeavingPart({
  person,
  others,
  actions,
  close,
}: {
  readonly person: PersonView;
  readonly others: readonly PersonView[];
  readonly actions: Pick<PeopleActions, 'deactivate' | 'reactivate' | 'handOver'>;
  readonly close: () => void;
}) {
  const { busy, submit } = useSubmit({ tells: true });
  const confirmed = useConfirmed();
  const [to, setTo] = useState<string | null>(null);
  const heir = others.find(({ id }) => id === to);
  const { open, all } = person.work;
  const handed = ({ handedOver }: { handedOver: number }) =>
    `${counted(handedOver, 'proposal')} handed over${heir ? ` to ${heir.name}` : ''}.`;
  const leave = () =>
    confirmed(
      {
        title: `Deactivate ${person.name}?`,
        content: `They are signed out everywhere at once and cannot sign in. What they did stays theirs.${
          heir ? ` ${counted(open, 'open proposal')} and job go to ${heir.name}.` : ''
        } They can be let in again.`,
        okText: 'Deactivate',
      },
      () => actions.deactivate({ userId: person.id, to }),
      { said: handed, then: close },
    );
  return (
    <section className="person-work">
      <h3>Their work</h3>
      <p className="soft">
        {all === 0
          ? 'They sell nothing here.'
          : `${counted(all, 'proposal')}, ${open} of them open or under way.`}
      </p>
      {all > 0 && (
        <div className="person-hand">
          <Select
            aria-label="Who goes on with it"
            placeholder="Who goes on with it"
            allowClear
            value={to}
            options={others.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(next: string | undefined) => setTo(next ?? null)}
          />
          <Button
            disabled={!heir || open === 0}
            loading={busy}
            onClick={() =>
              void submit(() => actions.handOver({ from: person.id, to, scope: 'open' }), {
                said: handed,
                then: close,
              })
            }
          >
            Hand over what is open
          </Button>
          <Button
            disabled={!heir}
            loading={busy}
            onClick={() =>
              void submit(() => actions.handOver({ from: person.id, to, scope: 'all' }), {
                said: handed,
                then: close,
              })
            }
          >
            Hand over all
          </Button>
        </div>
      )}
      {person.disabledAt ? (
        <Button
          loading={busy}
          onClick={() =>
            void submit(() => actions.reactivate(person.id), {
              said: `${person.name} can sign in again.`,
              then: close,
            })
          }
        >
          Let them in again
        </Button>
      ) : (
        !person.isSelf && (
          <Button danger onClick={leave}>
            Deactivate{heir ? ` and hand over to ${heir.name}` : ''}
          </Button>
        )
      )}
    </section>
  );
}

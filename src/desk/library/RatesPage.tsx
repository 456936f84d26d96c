'use client';

import { Alert, App, Button, Select } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { MovedItem, RatesAndCrews } from '@/services/library/rates';
import { isBelowZero, parseFixed, showUnitAmount, writeFixed } from '@/core/number';
import { crewHour } from '@/core/price';
import { parseQuantity } from '@/core/quantity';
import type { Answer, Crew, CrewInput, Rate } from '@/model';
import { Cell } from '../../ui/live/Cell';
import { asked } from '@/ui/asked';
import type { Sent } from './useInTurn';
import { useInTurn } from './useInTurn';
import { PlainTable } from '@/ui/tables/PlainTable';

type Saved = Answer<{ readonly id: string; readonly count: number; readonly moved: readonly MovedItem[] }>;

export interface RatesActions {
  readonly saveRate: (input: unknown, id?: string) => Promise<Saved>;
  readonly saveCrew: (input: unknown, id?: string) => Promise<Saved>;
  readonly removeCrew: (id: string) => Promise<Answer<void>>;
}

const money = (typed: string): string => {
  const value = writeFixed(parseQuantity(typed, 4));
  if (isBelowZero(value)) throw new Error('Not below zero.');
  return value;
};
const follow = (items: number) => (items === 0 ? '' : `${items} item${items === 1 ? '' : 's'}`);

/** What items came to before and after a rate or crew moved. */
function RepricedItems({
  count,
  moved,
  close,
}: {
  count: number;
  moved: readonly MovedItem[];
  close: () => void;
}) {
  return (
    <div className="panel rates-moved" role="status">
      <h2>
        {count} item{count === 1 ? '' : 's'} priced anew
      </h2>
      <PlainTable
        label="Items priced anew"
        headless
        rows={moved}
        rowKey={({ code }) => code}
        columns={[
          { key: 'code', title: 'Code', cell: ({ code }) => <span className="soft">{code}</span> },
          { key: 'name', title: 'Item', cell: ({ name }) => name },
          {
            key: 'before',
            title: 'Before',
            figure: true,
            cell: ({ before }) => showUnitAmount(parseFixed(before)),
          },
          {
            key: 'after',
            title: 'After',
            figure: true,
            cell: ({ after }) => `→ ${showUnitAmount(parseFixed(after))}`,
          },
        ]}
      />
      {moved.length < count && <p className="soft">And {count - moved.length} more.</p>}
      <Button size="small" onClick={close}>
        Close
      </Button>
    </div>
  );
}

function CrewCard({
  crew,
  items,
  rates,
  readOnly,
  change,
  remove,
}: {
  readonly crew: Crew;
  readonly items: number;
  readonly rates: readonly Rate[];
  readonly readOnly: boolean;
  readonly change: (patch: Partial<CrewInput>) => void;
  readonly remove: () => void;
}) {
  const { name, people, equipment } = crew;
  const byId = new Map(rates.map((rate) => [rate.id, rate]));
  return (
    <section className="panel crew" aria-label={name}>
      <div className="crew-head">
        <Cell
          name="crew-name"
          label="Name of the crew"
          shown={name}
          readOnly={readOnly}
          commit={(text) => text.trim() && change({ name: text.trim().slice(0, 100) })}
        />
        <strong>{showUnitAmount(crewHour(crew, byId))} an hour</strong>
        <span className="soft">{follow(items)}</span>
        {!readOnly && (
          <button type="button" className="plain-button" onClick={remove}>
            Remove
          </button>
        )}
      </div>
      <table className="table-plain crew-table">
        <tbody>
          {people.map(({ rateId, count }, i) => (
            <tr key={`p${i}`}>
              <td>
                <Cell
                  name="crew-count"
                  label={`How many ${byId.get(rateId)?.name ?? ''}`}
                  align="right"
                  shown={String(count)}
                  readOnly={readOnly}
                  commit={(text) => {
                    const next = Number(text);
                    if (!Number.isInteger(next) || next < 0 || next > 50)
                      throw new Error('A whole number up to 50.');
                    change({
                      people: people.flatMap((each, at) =>
                        at !== i ? [each] : next === 0 ? [] : [{ ...each, count: next }],
                      ),
                    });
                  }}
                />
              </td>
              <td>{byId.get(rateId)?.name}</td>
              <td className="amount">{showUnitAmount(parseFixed(byId.get(rateId)?.normal ?? '0'))}</td>
            </tr>
          ))}
          {equipment.map((each, i) => (
            <tr key={`e${i}`}>
              <td />
              <td>
                <Cell
                  name="crew-equipment"
                  label="Equipment"
                  shown={each.name}
                  readOnly={readOnly}
                  commit={(text) =>
                    change({
                      equipment: equipment.flatMap((other, at) =>
                        at !== i
                          ? [other]
                          : text.trim() === ''
                            ? []
                            : [{ ...other, name: text.trim().slice(0, 100) }],
                      ),
                    })
                  }
                />
              </td>
              <td>
                <Cell
                  name="crew-per-hour"
                  label={`${each.name}, per hour`}
                  align="right"
                  shown={showUnitAmount(parseFixed(each.perHour))}
                  readOnly={readOnly}
                  commit={(text) =>
                    change({
                      equipment: equipment.map((other, at) =>
                        at === i ? { ...other, perHour: money(text) } : other,
                      ),
                    })
                  }
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {!readOnly && (
        <div className="library-bar">
          {people.length < 10 && (
            <Select
              size="small"
              popupMatchSelectWidth={false}
              aria-label={`Add people to ${name}`}
              value=""
              onChange={(picked: string) => {
                const known = people.find(({ rateId }) => rateId === picked);
                change({
                  people: known
                    ? people.map((each) => (each === known ? { ...each, count: each.count + 1 } : each))
                    : [...people, { rateId: picked, count: 1 }],
                });
              }}
              options={[
                { value: '', label: 'Add a person …' },
                ...rates.map(({ id, name: who }) => ({ value: id, label: who })),
              ]}
            />
          )}
          {equipment.length < 20 && (
            <Button
              size="small"
              onClick={() => change({ equipment: [...equipment, { name: 'Equipment', perHour: '0' }] })}
            >
              Add equipment
            </Button>
          )}
        </div>
      )}
    </section>
  );
}

/** Labor rates and crews: what an hour costs. A change is kept at once and prices the items that name it anew. */
export function RatesPage({
  known: { rates, crews },
  readOnly,
  actions,
}: {
  readonly known: RatesAndCrews;
  readonly readOnly: boolean;
  readonly actions: RatesActions;
}) {
  const router = useRouter();
  const { message } = App.useApp();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [moved, setMoved] = useState<{ count: number; moved: readonly MovedItem[] } | null>(null);
  /** Says what an act answered. */
  const after = async (refusal: string, act: Promise<Saved>): Promise<Sent> => {
    const answer = await asked(act);
    const unanswered = !answer.ok && answer.problem.code === 'no-answer';
    // A change without an answer is told of below, with a way to try again.
    setTrouble(answer.ok || unanswered ? null : `${refusal} ${answer.problem.detail}`);
    if (answer.ok) {
      setMoved(answer.value.count > 0 ? answer.value : null);
      if (answer.value.count === 0) message.success('Kept.');
    }
    router.refresh();
    return answer.ok ? 'taken' : unanswered ? 'no answer' : 'refused';
  };
  const add = (refusal: string, act: Promise<Saved>) =>
    void after(refusal, act).then((sent) => {
      if (sent === 'no answer')
        setTrouble(
          'The server did not answer. Whether it was added is not known: look before you try again.',
        );
    });
  const shownRates = useInTurn(readOnly ? null : 'rates', rates, ({ id, name }, patch) =>
    after(`${name} is not changed.`, actions.saveRate(patch, id)),
  );
  const shownCrews = useInTurn(readOnly ? null : 'crews', crews, ({ id, name }, patch) =>
    after(`${name} is not changed.`, actions.saveCrew(patch, id)),
  );
  const waiting = shownRates.waiting + shownCrews.waiting;
  const stuck = shownRates.stuck + shownCrews.stuck;
  const rate = shownRates.change;
  return (
    <div className="page" style={{ maxWidth: 860 }}>
      <header className="page-head">
        <h1>Rates and crews</h1>
        <span className="soft">what an hour costs us; proposals keep what they were priced with</span>
        {waiting > 0 && (
          <span className="soft" role="status">
            Saving …
          </span>
        )}
      </header>
      {trouble && <Alert type="error" title={trouble} className="below" />}
      {stuck > 0 && (
        <Alert
          type="warning"
          title={`${stuck} ${stuck === 1 ? 'change' : 'changes'} got no answer. What you typed is kept.`}
          className="below"
          action={
            <Button
              size="small"
              onClick={() => {
                setTrouble(null);
                shownRates.again();
                shownCrews.again();
              }}
            >
              Try again
            </Button>
          }
        />
      )}
      {moved && <RepricedItems {...moved} close={() => setMoved(null)} />}
      <h2>Labor rates</h2>
      <table className="table-plain rates-table">
        <thead>
          <tr>
            <th>Who</th>
            <th className="amount">Normal</th>
            <th className="amount">Overtime</th>
            <th>In use by</th>
          </tr>
        </thead>
        <tbody>
          {shownRates.shown.map((each) => (
            <tr key={each.id}>
              <td>
                <Cell
                  name="rate-name"
                  label="Who"
                  shown={each.name}
                  readOnly={readOnly}
                  commit={(text) => text.trim() && rate(each, { name: text.trim().slice(0, 100) })}
                />
              </td>
              <td>
                <Cell
                  name="rate-normal"
                  label={`${each.name}, normal`}
                  align="right"
                  shown={showUnitAmount(parseFixed(each.normal))}
                  readOnly={readOnly}
                  commit={(text) => rate(each, { normal: money(text) })}
                />
              </td>
              <td>
                <Cell
                  name="rate-overtime"
                  label={`${each.name}, overtime`}
                  align="right"
                  shown={showUnitAmount(parseFixed(each.overtime))}
                  readOnly={readOnly}
                  commit={(text) => rate(each, { overtime: money(text) })}
                />
              </td>
              <td className="soft">{follow(each.items)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {!readOnly && (
        <Button
          size="small"
          onClick={() =>
            add(
              'No rate is added.',
              actions.saveRate({ name: `Rate ${rates.length + 1}`, normal: '0', overtime: '0' }),
            )
          }
        >
          Add a rate
        </Button>
      )}
      <h2>Crews</h2>
      {crews.length === 0 && (
        <p className="soft">
          A crew is people of several rates and equipment, priced by the hour they work together. An item then
          says how many hours of the crew one unit takes.
        </p>
      )}
      {shownCrews.shown.map((each) => (
        <CrewCard
          key={each.id}
          crew={each}
          items={each.items}
          rates={shownRates.shown}
          readOnly={readOnly}
          change={(patch) => shownCrews.change(each, patch)}
          remove={() =>
            void asked(actions.removeCrew(each.id)).then((answer) => {
              setTrouble(answer.ok ? null : answer.problem.detail);
              router.refresh();
            })
          }
        />
      ))}
      {!readOnly && rates.length > 0 && (
        <Button
          size="small"
          onClick={() =>
            add(
              'No crew is added.',
              actions.saveCrew({
                name: `Crew ${crews.length + 1}`,
                people: [{ rateId: rates[0]!.id, count: 1 }],
                equipment: [],
              }),
            )
          }
        >
          Add a crew
        </Button>
      )}
    </div>
  );
}

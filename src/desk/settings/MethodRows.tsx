'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button, Input, Select } from 'antd';
import { capital } from '@/core/text/capital';
import { methodName } from '@/core/text/names';
import type { CompanyMoney, HandMethod, OwnMethod } from '@/model';
import { handMethods, usualMethods } from '@/model/paymentMethods';
import { EntryActs } from '@/ui/EntryActs';

const MOST = 20;
const likes = handMethods.map((value) => ({ value, label: capital(methodName(value)) }));

/** Ways of payment as the company calls them, in the order they are offered, each with what it is booked as. */
export function MethodRows({
  money,
  disabled,
  change,
}: {
  readonly money: CompanyMoney;
  readonly disabled: boolean;
  readonly change: (money: CompanyMoney) => void;
}) {
  const methods: readonly OwnMethod[] = money.methods ?? usualMethods;
  const set = (next: readonly OwnMethod[]) =>
    change({ ...money, methods: next.map((each) => ({ ...each })) });
  const put = (at: number, patch: Partial<OwnMethod>) =>
    set(methods.map((each, i) => (i === at ? { ...each, ...patch } : each)));
  const move = (at: number, by: 1 | -1) => {
    const next = [...methods];
    const [one] = next.splice(at, 1);
    next.splice(at + by, 0, one!);
    set(next);
  };
  return (
    <fieldset className="settings-group method-rows" disabled={disabled}>
      <legend>Ways customers pay, as they are recorded by hand</legend>
      {methods.map((method, i) => (
        <div key={method.id} className="method-row">
          <Input
            aria-label={`Way of payment ${i + 1}`}
            maxLength={40}
            disabled={disabled}
            value={method.name}
            onChange={({ target }) => put(i, { name: target.value })}
          />
          <span className="soft">booked as</span>
          <Select<HandMethod>
            aria-label={`${method.name || 'It'} is booked as`}
            disabled={disabled}
            value={method.like}
            options={likes}
            onChange={(like) => put(i, { like })}
          />
          {!disabled && (
            <span className="nowrap">
              <EntryActs
                name={method.name}
                first={i === 0}
                last={i === methods.length - 1}
                move={(by) => move(i, by)}
                remove={() => methods.length > 1 && set(methods.filter((_, at) => at !== i))}
              />
            </span>
          )}
        </div>
      ))}
      {!disabled && methods.length < MOST && (
        <Button
          size="small"
          icon={<PlusOutlined />}
          onClick={() => set([...methods, { id: crypto.randomUUID(), name: '', like: 'transfer' }])}
        >
          Way of payment
        </Button>
      )}
    </fieldset>
  );
}

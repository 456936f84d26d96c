'use client';

import { DayPicker } from '@/ui/fields/DayPicker';
import { Alert, Input, Modal, Radio } from 'antd';
import { useState } from 'react';
import type { AgreementAtDesk } from '@/services/agreements/read';
import { showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import type { RefundInput } from '@/model';
import { parseMoneyInput } from '@/core/quantity';
import type { MoneyInActions } from './moneyInActions';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import { useSubmit } from '@/ui/useSubmit';
import { useMethods } from './OwnMethods';

/** What the fields of a refund are kept as; a card is `card ` and the payment it paid. */
interface Fields extends Pick<RefundInput, 'amount' | 'paidOn' | 'reference'> {
  readonly way: string;
}
const onCard = (paymentId: string) => `card ${paymentId}`;

/** Pays credit of the customer back: on the card it was paid with, by the card service, or another way, which is recorded. */
export function RefundDialog({
  agreement,
  refund,
  refundToCard,
  close,
}: {
  agreement: AgreementAtDesk;
  refund: MoneyInActions['refund'];
  refundToCard: MoneyInActions['refundToCard'];
  close: () => void;
}) {
  const methods = useMethods();
  const [onlyCard] = agreement.cards;
  // What was paid by card goes back on it, where it can.
  const first = onlyCard ? onCard(onlyCard.id) : methods.first;
  const [amount, setAmount] = useState(onlyCard?.most ?? agreement.credit);
  const [way, setWay] = useState(first);
  const [paidOn, setPaidOn] = useState(agreement.today);
  const [reference, setReference] = useState('');
  const { busy, refused, setRefused, submit } = useSubmit();
  const [key] = useState(() => crypto.randomUUID());
  const { done, notice } = useKeptForm<Fields>(
    `refund of ${agreement.id}`,
    { amount, way, paidOn, reference },
    { amount: onlyCard?.most ?? agreement.credit, way: first, paidOn: agreement.today, reference: '' },
    (kept) => {
      setAmount(kept.amount);
      setWay(kept.way ?? first);
      setPaidOn(kept.paidOn);
      setReference(kept.reference);
    },
  );
  const card = agreement.cards.find(({ id }) => way === onCard(id));
  const send = async () => {
    setRefused(null);
    let value: string;
    try {
      value = parseMoneyInput(amount, agreement.digits);
    } catch (error) {
      setRefused((error as Error).message);
      return;
    }
    const one = { agreementId: agreement.id, amount: value, idempotencyKey: key };
    await submit(
      () =>
        card
          ? refundToCard({ ...one, paymentId: card.id })
          : refund({ ...one, ...methods.recorded(way), paidOn, reference }),
      {
        then: () => {
          done();
          close();
        },
      },
    );
  };
  return (
    <Modal
      open
      title="Refund credit"
      okText={card ? 'Refund to the card' : 'Record refund'}
      cancelText="Cancel"
      confirmLoading={busy}
      // A card that takes no more, or a way that is gone, is not silently another.
      okButtonProps={{ disabled: !card && !methods.isThere(way) }}
      onOk={send}
      onCancel={close}
    >
      {notice}
      {refused && <Alert type="error" title={refused} className="below" />}
      <label className="bill-field">
        Amount in {agreement.currency}, at most {showDecimal(card?.most ?? agreement.credit)}
        <Input className="wide-choice" value={amount} onChange={({ target }) => setAmount(target.value)} />
      </label>
      <Radio.Group
        aria-label="How it went"
        value={card ? onCard(card.id) : way}
        onChange={({ target }) => setWay(String(target.value))}
        options={[
          ...agreement.cards.map(({ id, lastFour, receivedOn, most }) => ({
            value: onCard(id),
            label: `Back on the card ending ${lastFour}, paid ${showShortDate(receivedOn)}, at most ${showDecimal(most)}`,
          })),
          ...methods.options,
        ]}
      />
      {card ? (
        <p className="soft">The card service gives it back now, and it is recorded with today’s day.</p>
      ) : (
        <>
          <label className="bill-field">
            Paid on
            <DayPicker allowClear={false} value={paidOn} onChange={(day) => day && setPaidOn(day)} />
          </label>
          <label className="bill-field">
            Reference
            <Input value={reference} maxLength={200} onChange={({ target }) => setReference(target.value)} />
          </label>
        </>
      )}
    </Modal>
  );
}

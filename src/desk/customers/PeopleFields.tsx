'use client';

import { Button, Checkbox, Input } from 'antd';
import type { CustomerPerson } from '@/model/customerPerson';
import { looksLikeAddresses, splitAddresses } from '@/core/text/recipients';
import './people.css';

/** So many people of one customer beside the one we speak with. */
const MOST = 20;

const nobody = (): CustomerPerson => ({
  id: crypto.randomUUID(),
  name: '',
  role: '',
  email: '',
  phone: '',
  getsOffers: false,
  getsInvoices: false,
});

/** What is wrong with what is typed of the people, in words; null: nothing. */
export function wrongPeople(people: readonly CustomerPerson[]): string | null {
  for (const { name, email, getsOffers, getsInvoices } of people) {
    if (name.trim() === '') return 'Everybody needs a name.';
    const typed = email.trim();
    if (typed !== '' && (splitAddresses(typed).length > 1 || !looksLikeAddresses(typed)))
      return `“${typed}” is not an email address.`;
    if (typed === '' && (getsOffers || getsInvoices)) return `${name.trim()} gets letters, but where?`;
  }
  return null;
}

/** The people of a customer beside the one we speak with: what they are to them, how they are reached, which letters they get. */
export function PeopleFields({
  value = [],
  onChange = () => undefined,
}: {
  readonly value?: readonly CustomerPerson[];
  readonly onChange?: (people: readonly CustomerPerson[]) => void;
}) {
  const change = (id: string, patch: Partial<CustomerPerson>) =>
    onChange(value.map((person) => (person.id === id ? { ...person, ...patch } : person)));
  return (
    <fieldset className="people">
      <legend>Other people</legend>
      {value.map((person, nth) => {
        const whom = person.name.trim() || `person ${nth + 1}`;
        const field = (of: 'name' | 'role' | 'email' | 'phone', label: string, most: number) => (
          <Input
            aria-label={`${label} of ${of === 'name' ? `person ${nth + 1}` : whom}`}
            placeholder={label}
            value={person[of]}
            maxLength={most}
            autoComplete="off"
            autoFocus={of === 'name' && person.name === ''}
            onChange={({ target }) => change(person.id, { [of]: target.value })}
          />
        );
        return (
          <div key={person.id} className="person">
            {field('name', 'Name', 200)}
            {field('role', 'Role', 100)}
            {field('email', 'Email', 200)}
            {field('phone', 'Phone', 60)}
            <span className="person-gets">
              <Checkbox
                checked={person.getsOffers}
                onChange={({ target }) => change(person.id, { getsOffers: target.checked })}
              >
                gets proposals
              </Checkbox>
              <Checkbox
                checked={person.getsInvoices}
                onChange={({ target }) => change(person.id, { getsInvoices: target.checked })}
              >
                gets invoices
              </Checkbox>
            </span>
            <Button
              size="small"
              type="text"
              aria-label={`Remove ${whom}`}
              onClick={() => onChange(value.filter(({ id }) => id !== person.id))}
            >
              Remove
            </Button>
          </div>
        );
      })}
      {value.length > 0 && (
        <p className="soft">Where nobody is ticked, proposals and invoices go to the email above.</p>
      )}
      {value.length < MOST ? (
        <Button size="small" onClick={() => onChange([...value, nobody()])}>
          Add a person
        </Button>
      ) : (
        <p className="soft">A customer has {MOST} people at most.</p>
      )}
    </fieldset>
  );
}

import { PlainTable } from '@/ui/tables/PlainTable';

interface Person {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: string;
}

/** Who works here. */
export const PeopleTable = ({ people }: { readonly people: readonly Person[] }) => (
  <PlainTable
    label="People"
    rows={people}
    rowKey={({ id }) => id}
    columns={[
      { key: 'name', title: 'Name', cell: ({ name }) => name },
      { key: 'email', title: 'Email', cell: ({ email }) => email },
      { key: 'role', title: 'Role', cell: ({ role }) => role },
    ]}
  />
);

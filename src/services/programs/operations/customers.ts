import Type from 'typebox';
import { isDay } from '@/core/calendar';
import { AddressInput, CustomerInput } from '@/model';
import { customerList } from '../../customers/customerList';
import { readCustomer, saveCustomer, saveSite } from '../../customers/customers';
import { accountStatementPdf } from '../../downloads/papers';
import { Problem } from '../../problem';
import { Count, Id, Made, Money, orNull, Words } from '../answers';
import { fileOperation, operation } from '../operation';
import { listQuery, paged, pageOf } from '../paging';

const CustomerRow = Type.Object({
  id: Id,
  name: Words,
  contact: Words,
  phone: Words,
  email: Words,
  proposals: Count,
  agreements: Count,
  open: Type.String({ ...Money, description: 'What they have not paid of what was billed' }),
});

const { people, ...plain } = CustomerInput.properties;
const Customer = Type.Object({
  id: Id,
  ...plain,
  people: Type.Array(Type.Object(people.items.properties)),
  forgotten: Type.Boolean({ description: 'What was known of them as a person was removed' }),
  sites: Type.Array(
    Type.Object({ id: Id, address: Type.Object(AddressInput.properties), internalNote: Words }),
  ),
});

const SiteBody = Type.Object(
  { address: AddressInput, internalNote: Type.String({ maxLength: 2000 }) },
  { additionalProperties: false },
);

const writes = [['propose', 'issue', 'money']] as const;

export const customerOperations = [
  operation({
    id: 'listCustomers',
    method: 'get',
    path: '/customers',
    about: 'Customers',
    title: 'Customers',
    needs: [['prices']],
    query: listQuery({
      with: Type.Optional(
        Type.String({
          description: '`open`, `agreement` or `none`: with something open, an agreement, no proposal',
        }),
      ),
    }),
    answer: paged(CustomerRow),
    act: (actor, asked) =>
      pageOf(actor, customerList, asked, CustomerRow, (row, money) => ({ ...row, open: money(row.open) })),
  }),
  operation({
    id: 'addCustomer',
    method: 'post',
    path: '/customers',
    about: 'Customers',
    title: 'Adds a customer, with a first site at the billing address',
    needs: writes,
    body: CustomerInput,
    answer: Type.Object({ id: Id, siteId: orNull(Id) }),
    makes: true,
    act: (actor, { body }) => saveCustomer(actor, body),
  }),
  operation({
    id: 'readCustomer',
    method: 'get',
    path: '/customers/{id}',
    about: 'Customers',
    title: 'A customer with people and sites',
    needs: [['prices']],
    answer: Customer,
    act: async (actor, { path }) => {
      const { customer, forgotten, sites } = await readCustomer(actor, path.id!);
      const { people: known = [], ...rest } = customer;
      return {
        ...rest,
        people: known,
        forgotten,
        sites: sites.map(({ id, address, internalNote }) => ({ id, address, internalNote })),
      };
    },
  }),
  operation({
    id: 'changeCustomer',
    method: 'put',
    path: '/customers/{id}',
    about: 'Customers',
    title: 'Changes a customer; people that are left out stay as they are',
    needs: writes,
    body: CustomerInput,
    answer: Made,
    act: async (actor, { path, body }) => ({ id: (await saveCustomer(actor, body, path.id!)).id }),
  }),
  operation({
    id: 'addSite',
    method: 'post',
    path: '/customers/{id}/sites',
    about: 'Customers',
    title: 'Adds a site to a customer',
    needs: writes,
    body: SiteBody,
    answer: Made,
    makes: true,
    act: (actor, { path, body }) => saveSite(actor, { ...(body as object), customerId: path.id! }),
  }),
  operation({
    id: 'changeSite',
    method: 'put',
    path: '/customers/{id}/sites/{site}',
    about: 'Customers',
    title: 'Changes a site of a customer',
    needs: writes,
    body: SiteBody,
    answer: Made,
    act: (actor, { path, body }) =>
      saveSite(actor, { ...(body as object), customerId: path.id! }, path.site!),
  }),
  fileOperation({
    id: 'statementOfAccount',
    method: 'get',
    path: '/customers/{id}/account.pdf',
    about: 'Customers',
    title: 'The statement of account of a customer, from a day to a day',
    needs: [['prices']],
    query: Type.Object({
      from: Type.Optional(Type.String({ description: 'A day' })),
      to: Type.Optional(Type.String({ description: 'A day' })),
    }),
    files: ['application/pdf'],
    act: async (actor, { path, query }) => ({
      body: await accountStatementPdf(actor, path.id!, {
        from: dayOf(query, 'from'),
        to: dayOf(query, 'to'),
      }),
      type: 'application/pdf',
      name: 'account.pdf',
    }),
  }),
];

/** @throws Problem `not-a-day` */
function dayOf(query: Readonly<Record<string, string>>, name: string): string | undefined {
  const text = query[name];
  if (text === undefined || text === '') return undefined;
  if (!isDay(text)) throw new Problem('not-a-day', `“${name}” is a day, as 2026-05-01.`);
  return text;
}

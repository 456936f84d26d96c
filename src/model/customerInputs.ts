import Type from 'typebox';
import { EmailAddress, EntityId, Needed, Text } from './inputParts';

const closed = { additionalProperties: false } as const;

export const AddressInput = Type.Object(
  {
    street: Needed(200),
    city: Needed(100),
    region: Text(100),
    postcode: Text(20),
    country: Type.String({ pattern: '^[A-Z]{2}$' }),
  },
  closed,
);
export type AddressInput = Type.Static<typeof AddressInput>;

export const CustomerPersonInput = Type.Object(
  {
    id: EntityId,
    name: Needed(200),
    role: Text(100),
    email: Type.Union([Type.Literal(''), EmailAddress]),
    phone: Text(60),
    getsOffers: Type.Boolean({ description: 'Letters about proposals go to them' }),
    getsInvoices: Type.Boolean({ description: 'Letters about invoices go to them' }),
  },
  closed,
);

export const CustomerInput = Type.Object(
  {
    name: Needed(200),
    contactName: Text(200),
    email: Type.Union([Type.Literal(''), EmailAddress]),
    phone: Text(60),
    billing: AddressInput,
    internalNote: Text(2000),
    alert: Type.Optional(Type.Boolean({ description: 'Our note is shown before work starts' })),
    /** Why no tax is charged; empty or left out: it is. */
    taxExempt: Type.Optional(Text(200)),
    /** Who there is beside the one we speak with; left out: nobody is added or taken away. */
    people: Type.Optional(Type.Array(CustomerPersonInput, { maxItems: 20 })),
  },
  closed,
);
export type CustomerInput = Type.Static<typeof CustomerInput>;

export const SiteInput = Type.Object(
  { customerId: EntityId, address: AddressInput, internalNote: Text(2000) },
  closed,
);
export type SiteInput = Type.Static<typeof SiteInput>;

/** For whom and where a proposal is made. */
export const PlaceInput = Type.Object({ customerId: EntityId, siteId: EntityId }, closed);

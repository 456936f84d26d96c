import Type from 'typebox';
import { EmailAddress, Text } from './inputParts';
import { ShortText } from './scalars';

const closed = { additionalProperties: false } as const;
const Little = Type.String({ maxLength: 120 });

/** A color as papers take it: #rrggbb. */
export const colorPattern = '^#[0-9a-fA-F]{6}$';

/** What a company says of itself on its papers. */
export const companyDetails = {
  name: ShortText,
  address: Type.Object(
    {
      street: Text(200),
      city: Text(100),
      region: Text(100),
      postcode: Text(20),
      country: Type.String({ pattern: '^[A-Z]{2}$' }),
    },
    closed,
  ),
  email: Type.Union([EmailAddress, Type.Literal('')]),
  phone: Little,
  website: Type.String({ maxLength: 200 }),
  taxNumber: Little,
  licence: Little,
};

/** How a company looks on what customers get. */
export const companyLook = {
  logo: Type.Union([Type.String({ format: 'uuid' }), Type.Null()], { description: 'A kept picture' }),
  color: Type.Union([Type.String({ pattern: '^#[0-9a-f]{6}$' }), Type.Null()], {
    description: 'Of titles and buttons; null: that of the product',
  }),
};

/** In what a company reckons. */
export const reckoning = {
  currency: Type.String({ pattern: '^[A-Z]{3}$', description: 'ISO 4217' }),
  timeZone: Type.String({ minLength: 1, maxLength: 64, description: 'Of the IANA list' }),
  units: Type.Union([Type.Literal('us'), Type.Literal('metric')]),
};

/** What a company begins with. */
export const NewCompanyInput = Type.Object({ ...companyDetails, ...reckoning }, closed);
export type NewCompanyInput = Type.Static<typeof NewCompanyInput>;

/** The company and the one who sets it up, who becomes its owner. */
export const SetUpInput = Type.Object(
  {
    company: NewCompanyInput,
    owner: Type.Object(
      {
        name: ShortText,
        email: EmailAddress,
        password: Type.String({ minLength: 1, maxLength: 400 }),
      },
      closed,
    ),
    key: Type.String({
      maxLength: 100,
      description: 'The key the server said at its start, where it asks for one',
    }),
  },
  closed,
);
export type SetUpInput = Type.Static<typeof SetUpInput>;

import Type from 'typebox';
import { BillingTerms } from './billing';
import { Fee, ScheduleEntry, Shows, TaxClass, TaxTerms } from './document';
import { Load } from './priced';
import { BusinessDate, LongText, PercentText } from './scalars';

const closed = { additionalProperties: false } as const;

/** A part of a tax as a company keeps it: what it is now, and what it will be from a day on. */
const CompanyTaxComponent = Type.Object(
  {
    ...TaxClass.properties.components.items.properties,
    later: Type.Optional(
      Type.Array(Type.Object({ from: BusinessDate, percent: PercentText }, closed), {
        maxItems: 12,
        description: 'From these days on it is another percentage',
      }),
    ),
  },
  closed,
);

/** A class of taxes as a company keeps it. */
export const CompanyTaxClass = Type.Object(
  {
    ...TaxClass.properties,
    components: Type.Array(CompanyTaxComponent, { maxItems: 6 }),
    retired: Type.Optional(
      Type.Literal(true, { description: 'Not offered any more; what is of it stays of it' }),
    ),
  },
  closed,
);
export type CompanyTaxClass = Type.Static<typeof CompanyTaxClass>;

/** How a company usually prices and bills: what a proposal from nothing begins with. */
export const UsualTerms = Type.Object(
  {
    shows: Shows,
    terms: Type.Optional(LongText),
    loads: Type.Array(Load, { maxItems: 12 }),
    fees: Type.Array(Fee, { maxItems: 50 }),
    taxClasses: Type.Array(CompanyTaxClass, { minItems: 1, maxItems: 20 }),
    /** How customers read prices. */
    tax: Type.Optional(Type.Pick(TaxTerms, ['shown'], { additionalProperties: false })),
    schedule: Type.Array(ScheduleEntry, { maxItems: 60 }),
    /** What becomes of the deposit, and what is held back. */
    billing: Type.Optional(
      Type.Pick(BillingTerms, ['deposit', 'retainage'], { additionalProperties: false }),
    ),
  },
  { additionalProperties: false },
);
export type UsualTerms = Type.Static<typeof UsualTerms>;

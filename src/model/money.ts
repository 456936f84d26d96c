import Type from 'typebox';
import { BillingTerms } from './billing';
import { ScheduleEntry } from './document';
import { PartId, PositiveDecimalText, ShortText } from './scalars';

/* How a company bills and asks for its money. Never part of a document. */

const closed = { additionalProperties: false } as const;

/** A payment schedule by name, for jobs up to a size. */
export const SchedulePreset = Type.Object(
  {
    id: PartId,
    name: ShortText,
    upTo: Type.Optional(
      Type.String({
        ...PositiveDecimalText,
        description: 'Offered first for totals up to this; without it, for any',
      }),
    ),
    schedule: Type.Array(ScheduleEntry, { minItems: 1, maxItems: 60 }),
    billing: Type.Optional(BillingTerms),
  },
  closed,
);
export type SchedulePreset = Type.Static<typeof SchedulePreset>;

export const CompanyMoney = Type.Object(
  {
    presets: Type.Array(SchedulePreset, { maxItems: 30 }),
    deposit: Type.Optional(
      Type.Object(
        { place: PartId, blocks: Type.Boolean() },
        { ...closed, description: 'Whose law limits the deposit, and whether more cannot be sent' },
      ),
    ),
    coolingOff: Type.Optional(
      Type.Object(
        { holdDeposit: Type.Boolean() },
        {
          ...closed,
          description:
            'Customers may cancel until the third business day after signing; whether the deposit is billed only after',
        },
      ),
    ),
  },
  closed,
);
export type CompanyMoney = Type.Static<typeof CompanyMoney>;

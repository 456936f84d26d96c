import Type from 'typebox';

/* The cost codes a company books by, and which one the work of a trade has. */

const closed = { additionalProperties: false } as const;
const Code = Type.String({ minLength: 1, maxLength: 40, pattern: '^\\S(.*\\S)?$' });

export const CostCodes = Type.Object(
  {
    codes: Type.Array(Type.Object({ code: Code, name: Type.String({ maxLength: 120 }) }, closed), {
      maxItems: 2000,
      description: 'In the order of the list that was brought in',
    }),
    byTrade: Type.Record(Type.String({ minLength: 1, maxLength: 60 }), Code, {
      maxProperties: 200,
      description: 'What an item of a trade has that comes without a code',
    }),
  },
  closed,
);
export type CostCodes = Type.Static<typeof CostCodes>;

/** What is asked to be kept, and what it stands over: the codes as they were read. */
export const CostCodesInput = Type.Object(
  { ...CostCodes.properties, over: Type.Optional(CostCodes) },
  closed,
);

import Type from 'typebox';
import { Choices } from './choices';
import { EmailAddresses, EntityId, IdempotencyKey, Needed, Text } from './inputParts';
import { BusinessDate } from './scalars';

const closed = { additionalProperties: false } as const;

export const StartInput = Type.Object(
  {
    customerId: EntityId,
    siteId: EntityId,
    title: Needed(200),
    templateId: Type.Union([EntityId, Type.Null()]),
  },
  closed,
);
export type StartInput = Type.Static<typeof StartInput>;

export const JsonPatch = Type.Array(
  Type.Union([
    Type.Object({ op: Type.Literal('remove'), path: Type.String({ maxLength: 300 }) }, closed),
    Type.Object(
      {
        op: Type.Union([Type.Literal('add'), Type.Literal('replace')]),
        path: Type.String({ maxLength: 300 }),
        value: Type.Unknown(),
      },
      closed,
    ),
  ]),
  { minItems: 1, maxItems: 20000 },
);
export const SaveInput = Type.Object(
  { proposalId: EntityId, saveNumber: Type.Integer({ minimum: 0 }), patches: JsonPatch },
  closed,
);

export const SendInput = Type.Object(
  { proposalId: EntityId, saveNumber: Type.Integer({ minimum: 0 }), to: EmailAddresses, words: Text(4000) },
  closed,
);
export type SendInput = Type.Static<typeof SendInput>;

export const AskApprovalInput = Type.Object(
  { proposalId: EntityId, saveNumber: Type.Integer({ minimum: 0 }), words: Text(2000) },
  closed,
);

export const AnswerApprovalInput = Type.Object(
  {
    approvalId: EntityId,
    verdict: Type.Union([Type.Literal('yes'), Type.Literal('no')]),
    answer: Text(2000),
  },
  closed,
);

export const Signature = Type.Union([
  Type.Object({ kind: Type.Literal('typed') }, closed),
  Type.Object(
    {
      kind: Type.Literal('drawn'),
      // Only what the signature pad writes: one path of moves and lines, nothing that could run.
      path: Type.String({ pattern: '^[MLC0-9 .,-]+$', minLength: 8, maxLength: 60000 }),
      width: Type.Integer({ minimum: 40, maximum: 4000 }),
      height: Type.Integer({ minimum: 40, maximum: 4000 }),
    },
    closed,
  ),
]);
export type Signature = Type.Static<typeof Signature>;

/** How a customer said yes, where one of ours records it for them. */
export const Told = Type.Object(
  {
    kind: Type.Literal('told'),
    how: Type.Union([
      Type.Literal('by phone'),
      Type.Literal('in person'),
      Type.Literal('by letter'),
      Type.Literal('by mail'),
    ]),
    /** The day on which they said so. */
    on: BusinessDate,
    words: Text(2000),
  },
  closed,
);
export type Told = Type.Static<typeof Told>;
/** A signature as it is kept: the customer's own, or what one of ours recorded. */
export type KeptSignature = Signature | Told;

/** A yes on the customer's behalf, to the newest revision with the choices as they stand. */
export const AcceptForInput = Type.Object(
  {
    proposalId: EntityId,
    revisionId: EntityId,
    /** The total they said yes to. */
    total: Type.String({ maxLength: 30 }),
    signerName: Needed(200),
    told: Told,
    idempotencyKey: IdempotencyKey,
  },
  closed,
);

export const AcceptInput = Type.Object(
  {
    revisionId: EntityId,
    choices: Choices,
    /** The total the signer saw. */
    total: Type.String({ maxLength: 30 }),
    signerName: Needed(200),
    signature: Signature,
    consent: Type.Literal(true),
    idempotencyKey: IdempotencyKey,
    /** Of a change order: the state of the agreement that was seen beside it. */
    contract: Type.Optional(Type.String({ maxLength: 4000 })),
  },
  closed,
);
export type AcceptInput = Type.Static<typeof AcceptInput>;

export const DeclineInput = Type.Object({ revisionId: EntityId, reason: Needed(2000) }, closed);

export const ChooseInput = Type.Object(
  {
    revisionId: EntityId,
    choices: Choices,
    /** The count of changes the page had seen; without it, what is sent stands whatever was chosen meanwhile. */
    seen: Type.Optional(Type.Integer({ minimum: 0 })),
  },
  closed,
);

import Type from 'typebox';
import { PositiveDecimalText } from './scalars';

/*
 * What makes a proposal document a change order, and what it is seen against: the agreement as it stands before.
 */

const closed = { additionalProperties: false } as const;

/** How the sum of a change order is put on the payments that are not billed yet. */
export const SpreadWay = Type.Union([
  Type.Literal('spread'),
  Type.Literal('next'),
  Type.Literal('last'),
  Type.Literal('own'),
]);
export type SpreadWay = Type.Static<typeof SpreadWay>;

export const ChangeTerms = Type.Object(
  {
    agreement: Type.Integer({ minimum: 1, description: 'The number of the agreement' }),
    number: Type.Integer({ minimum: 1, description: 'Which of its change orders this is' }),
    spread: SpreadWay,
  },
  {
    ...closed,
    description: 'A change order: it has no schedule of its own but changes that of its agreement',
  },
);
export type ChangeTerms = Type.Static<typeof ChangeTerms>;

/** The id of an agreed line; those that change orders brought carry the number before a dot. */
const agreedLinePattern = '^[A-Za-z0-9_.-]{1,80}$';
export const AgreedLineId = Type.String({ pattern: agreedLinePattern });

export const Settles = Type.String({
  pattern: agreedLinePattern,
  description: 'In a change order: the agreed allowance whose difference this settles',
});

export const Omission = Type.Object(
  { line: AgreedLineId, quantity: PositiveDecimalText },
  { ...closed, description: 'The agreed line this leaves out, and how much of it' },
);
export type Omission = Type.Static<typeof Omission>;

/** A payment of an agreement as it stands before a change; amounts as decimal text. */
export interface ContractEntry {
  readonly id: string;
  readonly name: string;
  readonly amount: string;
  readonly billed: boolean;
}

/** An agreement as it stands before a change. Nothing in it is internal. */
export interface Contract {
  readonly agreement: number;
  readonly title: string;
  readonly minorDigits: number;
  /** The sum that was signed first. */
  readonly original: string;
  /** Change orders signed since, in order. */
  readonly changes: readonly { readonly number: number; readonly title: string; readonly total: string }[];
  /** Sum to date. */
  readonly sum: string;
  /** Tax in it. */
  readonly tax: string;
  readonly entries: readonly ContractEntry[];
  /** Says whether two of these are the same state. */
  readonly mark: string;
}

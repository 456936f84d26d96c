import Type from 'typebox';
import { BillingAsk, CreditAsk } from './billing';
import { Choices } from './choices';
import { ProposalDocument } from './document';

const closed = { additionalProperties: false } as const;

// Inside another schema a document and its choices have no identity of their own.
const Document = Type.Object(ProposalDocument.properties, closed);
const Chosen = Type.Object(Choices.properties, closed);

const ChangeStep = Type.Object(
  { change: Document, choices: Type.Optional(Chosen) },
  { ...closed, description: 'A change order is signed: its document, and what the customer chose' },
);
const BillStep = Type.Object({ bill: BillingAsk }, { ...closed, description: 'An invoice is issued' });
const CreditStep = Type.Object(
  {
    credit: Type.Object(
      {
        paper: Type.Integer({ minimum: 1, description: 'Which paper is taken back, counted from 1' }),
        what: CreditAsk,
      },
      closed,
    ),
  },
  { ...closed, description: 'A credit note is issued' },
);

/** An accepted proposal with everything that happens to it after: change orders, invoices, credit notes. */
export const AgreementFile = Type.Object(
  {
    format: Type.Literal('impegno-agreement'),
    formatVersion: Type.Literal(1),
    proposal: Document,
    choices: Type.Optional(Chosen),
    steps: Type.Array(Type.Union([ChangeStep, BillStep, CreditStep]), { maxItems: 1000 }),
  },
  { ...closed, $id: 'urn:impegno:agreement:1', title: 'Impegno agreement with its billing steps' },
);
export type AgreementFile = Type.Static<typeof AgreementFile>;

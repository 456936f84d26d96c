import Type from 'typebox';
import { ProposalDocument } from './document';

/** A proposal document as a part of something else: the schema by itself has an identity, and can stand only once. */
export const DocumentWithin = Type.Object(ProposalDocument.properties, {
  additionalProperties: false,
  description: 'A proposal document, as its export is',
});

import { applyPatches, enablePatches, produceWithPatches } from 'immer';
import { check } from '@/services/check';
import { fromJsonPatch, toJsonPatch } from '@/core/editing';
import { ProposalDocument } from '@/model';

enablePatches();

/**
 * What an edit makes of a document. On the way what must hold of every edit: the same again from its patch as it travels to
 * the server, taken back by undo, and well-formed as a document that is kept.
 */
export function edited(
  before: ProposalDocument,
  edit: (document: ProposalDocument) => unknown,
): ProposalDocument {
  const [after, patches, inverse] = produceWithPatches(before, (draft) => void edit(draft));
  const travelled = JSON.parse(JSON.stringify(toJsonPatch(patches)));
  expect(applyPatches(before, fromJsonPatch(travelled))).toEqual(after);
  expect(applyPatches(after, inverse)).toEqual(before);
  check(ProposalDocument, JSON.parse(JSON.stringify(after)), 'The document');
  return after;
}

/** Identities one after the other: n1, n2, … */
export function counted(prefix = 'n'): () => string {
  let made = 0;
  return () => `${prefix}${(made += 1)}`;
}

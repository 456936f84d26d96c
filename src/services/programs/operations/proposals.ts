import Type from 'typebox';
import { AcceptForInput, PlaceInput, SendInput, StartInput } from '@/model';
import { DocumentWithin } from '@/model/documentWithin';
import { acceptForCustomer } from '../../booklet/accept';
import { exportDocument, exportPlan, proposalPaper } from '../../downloads/papers';
import { here } from '../../here';
import { listTemplates } from '../../library/library';
import { proposalList } from '../../proposals/proposalList';
import { readProposal } from '../../proposals/read';
import { ReplaceInput, replaceDocument } from '../../proposals/replace';
import { copyProposal, CopyInput } from '../../proposals/reuse';
import { sendProposal } from '../../proposals/send';
import { importProposal, startProposal } from '../../proposals/start';
import { withdrawProposal } from '../../proposals/withdraw';
import { Count, Day, Id, Instant, Money, orNull, Words } from '../answers';
import { fileOperation, operation, quietOperation } from '../operation';
import { listQuery, paged, pageOf } from '../paging';

const closed = { additionalProperties: false } as const;

const State = Type.Enum(['draft', 'sent', 'accepted', 'declined', 'lapsed', 'withdrawn']);

const ProposalRow = Type.Object({
  id: Id,
  number: Count,
  title: Words,
  state: State,
  customerId: Id,
  customer: Words,
  site: Words,
  seller: Words,
  created: Day,
  changed: Day,
  opened: orNull(Type.String({ ...Day, description: 'When the customer looked at it last' })),
  validUntil: orNull(Day),
  total: Type.String({ ...Money, description: 'As it is suggested, with tax' }),
});

const Proposal = Type.Object({
  id: Id,
  number: Count,
  state: State,
  saveNumber: Type.Integer({ minimum: 0, description: 'Counts the changes; said again with a change' }),
  customerId: Id,
  seller: Words,
  revisions: Type.Array(
    Type.Object({
      id: Id,
      number: Count,
      sentAt: Instant,
      sha256: Type.String({ description: 'Of the document as it was sent' }),
    }),
  ),
  agreementId: orNull(
    Type.String({ ...Id, description: 'The agreement it became, or of a change order: that it changes' }),
  ),
  offered: orNull(
    Type.Object(
      { revisionId: Id, total: Money },
      { description: 'What a customer can say yes to, with what they chose; null: nothing just now' },
    ),
  ),
  document: DocumentWithin,
});

const Numbered = Type.Object({ id: Id, number: Count });
const { proposalId: _, ...sendBody } = SendInput.properties;
const { proposalId: ___, ...acceptBody } = AcceptForInput.properties;
const { proposalId: __, ...copyBody } = CopyInput.properties;

export const proposalOperations = [
  operation({
    id: 'listProposals',
    method: 'get',
    path: '/proposals',
    about: 'Proposals',
    title: 'Proposals; change orders stand with their agreement',
    needs: [['prices']],
    query: listQuery({
      state: Type.Optional(Type.String({ description: 'One state, or several with commas between' })),
      changed: Type.Optional(Type.String({ description: 'Last change, `FROM..TO`; either can be left out' })),
    }),
    answer: paged(ProposalRow),
    act: (actor, asked) =>
      pageOf(actor, proposalList, asked, ProposalRow, (row, money) => ({ ...row, total: money(row.total) })),
  }),
  operation({
    id: 'startProposal',
    method: 'post',
    path: '/proposals',
    about: 'Proposals',
    title: 'Begins a proposal, with the usual terms or from a template',
    needs: [['propose']],
    body: StartInput,
    answer: Numbered,
    makes: true,
    act: (actor, { body }) => startProposal(actor, body),
  }),
  operation({
    id: 'importProposal',
    method: 'post',
    path: '/proposals/import',
    about: 'Proposals',
    title: 'Makes a proposal of a document',
    needs: [['propose']],
    body: Type.Object({ ...PlaceInput.properties, document: DocumentWithin }, closed),
    answer: Numbered,
    makes: true,
    act: (actor, { body }) => {
      const { document, ...place } = body as { document: unknown };
      return importProposal(actor, place, document);
    },
  }),
  operation({
    id: 'readProposal',
    method: 'get',
    path: '/proposals/{id}',
    about: 'Proposals',
    title: 'A proposal with its document',
    note: 'Who does not see cost gets the document without it.',
    needs: [['prices']],
    answer: Proposal,
    act: async (actor, { path }) => {
      const found = await readProposal(actor, path.id!);
      return {
        ...{ id: found.id, number: found.number, state: found.state, saveNumber: found.saveNumber },
        customerId: found.customer.id,
        seller: found.seller,
        revisions: found.revisions.map(({ id, number, sentAt, sha256 }) => ({ id, number, sentAt, sha256 })),
        agreementId: found.agreement?.id ?? null,
        offered: found.decided && { revisionId: found.decided.revisionId, total: found.decided.total },
        document: found.document,
      };
    },
  }),
  operation({
    id: 'changeProposal',
    method: 'put',
    path: '/proposals/{id}/document',
    about: 'Proposals',
    title: 'Puts a whole document in the place of the one that was read',
    note: 'Refused as `changed-meanwhile` where somebody changed it since; what differs is kept as their edit is, and people see it at once.',
    needs: [['propose']],
    body: ReplaceInput,
    answer: Type.Object({ saveNumber: Count }),
    act: (actor, { path, body }) => replaceDocument(actor, path.id!, body),
  }),
  operation({
    id: 'copyProposal',
    method: 'post',
    path: '/proposals/{id}/copy',
    about: 'Proposals',
    title: 'Copies a proposal for a customer and a site',
    needs: [['propose']],
    body: Type.Object(copyBody, closed),
    answer: Numbered,
    makes: true,
    act: (actor, { path, body }) => copyProposal(actor, { ...(body as object), proposalId: path.id! }),
  }),
  operation({
    id: 'sendProposal',
    method: 'post',
    path: '/proposals/{id}/send',
    about: 'Proposals',
    title: 'Sends a proposal as it was read: a revision that stays, a letter, and a private link',
    needs: [['propose']],
    body: Type.Object(sendBody, closed),
    answer: Type.Object({
      revision: Count,
      address: Type.String({
        format: 'uri',
        description: 'The private link: whoever has it may choose and sign',
      }),
    }),
    makes: true,
    act: async (actor, { path, body }) => {
      const { revision, token } = await sendProposal(actor, { ...(body as object), proposalId: path.id! });
      return { revision, address: here(`/b/${token}`) };
    },
  }),
  operation({
    id: 'acceptForCustomer',
    method: 'post',
    path: '/proposals/{id}/accept',
    about: 'Proposals',
    title: 'Records that a customer said yes, and how: it is an agreement from then on',
    note: 'To what is `offered`. Asked again with the same key, it is recorded once.',
    needs: [['propose']],
    body: Type.Object(acceptBody, closed),
    answer: Type.Object({ agreementId: Id }),
    makes: true,
    act: async (actor, { path, body }) => {
      const { agreementId } = await acceptForCustomer(actor, { ...(body as object), proposalId: path.id! });
      return { agreementId };
    },
  }),
  quietOperation({
    id: 'withdrawProposal',
    method: 'post',
    path: '/proposals/{id}/withdraw',
    about: 'Proposals',
    title: 'Takes a proposal back; nobody can sign it any more',
    needs: [['propose']],
    act: (actor, { path }) => withdrawProposal(actor, path.id!),
  }),
  operation({
    id: 'listTemplates',
    method: 'get',
    path: '/templates',
    about: 'Proposals',
    title: 'Templates a proposal can begin from',
    needs: [['propose', 'cost']],
    answer: Type.Object({ rows: Type.Array(Type.Object({ id: Id, name: Words, about: Words })) }),
    act: async (actor) => ({
      rows: (await listTemplates(actor)).map(({ id, name, about }) => ({ id, name, about })),
    }),
  }),
  fileOperation({
    id: 'proposalDocument',
    method: 'get',
    path: '/proposals/{id}/document.json',
    about: 'Proposals',
    title: 'The document of a proposal, as a file',
    needs: [['cost']],
    files: ['application/json'],
    act: async (actor, { path }) => ({
      body: JSON.stringify(await exportDocument(actor, path.id!), null, 2),
      type: 'application/json',
      name: 'proposal.json',
    }),
  }),
  fileOperation({
    id: 'proposalPdf',
    method: 'get',
    path: '/proposals/{id}/proposal.pdf',
    about: 'Proposals',
    title: 'A proposal as its customer would get it on paper',
    needs: [['prices']],
    files: ['application/pdf'],
    act: async (actor, { path }) => ({
      body: await proposalPaper(actor, path.id!),
      type: 'application/pdf',
      name: 'proposal.pdf',
    }),
  }),
  fileOperation({
    id: 'tracedPlan',
    method: 'get',
    path: '/proposals/{id}/plans/{plan}',
    about: 'Proposals',
    title: 'What was traced on a plan, as GeoJSON in feet',
    needs: [['cost']],
    files: ['application/geo+json'],
    act: async (actor, { path }) => ({
      body: JSON.stringify(await exportPlan(actor, path.id!, path.plan!), null, 2),
      type: 'application/geo+json',
      name: 'plan.geojson',
    }),
  }),
];

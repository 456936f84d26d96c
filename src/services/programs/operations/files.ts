import Type from 'typebox';
import { LARGEST_UPLOAD } from '@/formats/image/keptImage';
import { fileForDesk, keepFile } from '../../files/keep';
import { readAttachment } from '../../messages/attachment';
import { messageKinds, messageList } from '../../messages/messageList';
import { Problem } from '../../problem';
import { Count, Id, Instant, orNull, Words } from '../answers';
import { fileOperation, operation } from '../operation';
import { listQuery, paged, pageOf } from '../paging';

const pictures = ['image/jpeg', 'image/png', 'image/webp'];

const Letter = Type.Object({
  id: Id,
  at: Instant,
  kind: Words,
  to: Words,
  subject: Words,
  customerId: orNull(Id),
  proposalId: orNull(Id),
  state: Type.Enum(['waiting', 'delivered', 'returned', 'failed']),
  note: Type.String({ description: 'What its carrier said of it' }),
  attachments: Type.Array(Words),
});

/** @throws Problem `parameter-missing` */
export const fileOperations = [
  operation({
    id: 'keepPicture',
    method: 'post',
    path: '/files',
    about: 'Letters and files',
    title: 'Keeps a picture or a plan, to be named in documents and items',
    note: 'It is turned upright and made smaller where it is large; where it was taken is removed. A picture needs `jobs`, a plan `propose`.',
    needs: [['jobs', 'propose']],
    query: Type.Object({
      kind: Type.Optional(Type.String({ description: '`picture` or `plan`' })),
      name: Type.Optional(Type.String({ maxLength: 200 })),
    }),
    bytes: { media: pictures, most: LARGEST_UPLOAD },
    answer: Type.Object({ id: Id, width: Count, height: Count }),
    act: (actor, { query, body }) => {
      if (query.kind !== 'plan' && query.kind !== 'picture')
        throw new Problem('parameter-missing', 'Say whether it is a plan or a picture.');
      return keepFile(actor, query.kind, query.name ?? '', body as Uint8Array);
    },
  }),
  fileOperation({
    id: 'readPicture',
    method: 'get',
    path: '/files/{id}',
    about: 'Letters and files',
    title: 'A kept picture; `small` asks for it in small',
    needs: [['jobs', 'prices']],
    query: Type.Object({ small: Type.Optional(Type.String()) }),
    files: pictures,
    act: async (actor, { path, query }) => {
      const { bytes, type } = await fileForDesk(actor, path.id!, query.small !== undefined);
      return { body: bytes, type, name: null };
    },
  }),
  operation({
    id: 'listLetters',
    method: 'get',
    path: '/messages',
    about: 'Letters and files',
    title: 'Letters that went out, and how far they came',
    needs: [['prices']],
    query: listQuery({
      kind: Type.Optional(Type.String({ description: Object.keys(messageKinds).join(', ') })),
      state: Type.Optional(Type.String({ description: 'delivered, returned, waiting, failed' })),
    }),
    answer: paged(Letter),
    act: (actor, asked) =>
      pageOf(actor, messageList, asked, Letter, (row) => ({ ...row, to: row.toAddress })),
  }),
  fileOperation({
    id: 'letterAttachment',
    method: 'get',
    path: '/messages/{id}/attachments',
    about: 'Letters and files',
    title: 'Something that went with a letter; `n` says which, counted from nought',
    needs: [['prices']],
    query: Type.Object({ n: Type.Optional(Type.String()) }),
    files: ['*/*'],
    act: async (actor, { path, query }) => {
      const { name, mediaType, bytes } = await readAttachment(actor, path.id!, Number(query.n ?? '0'));
      return { body: bytes, type: mediaType, name: name.replace(/[^\w .,()-]/g, '_') };
    },
  }),
];

import Type from 'typebox';
import { BundleInLibrary, BundleMakeup, ItemInput } from '@/model';
import { libraryAsCsv, libraryAsXlsx } from '../../downloads/papers';
import { addBundle, readBundle, saveBundle } from '../../library/bundles';
import { readItem, saveItem } from '../../library/items';
import { libraryList } from '../../library/libraryList';
import { retireBundle, retireItem } from '../../library/retire';
import { check } from '../../check';
import { Count, Id, Made, Money, orNull, Words } from '../answers';
import { csvType, fileOperation, operation, quietOperation, xlsxType } from '../operation';
import { listQuery, paged, pageOf } from '../paging';

const closed = { additionalProperties: false } as const;

const EntryRow = Type.Object({
  id: Id,
  kind: Type.Enum(['item', 'bundle']),
  code: Words,
  name: Words,
  trade: Words,
  tags: Type.Array(Words),
  unit: orNull(Type.String({ description: 'Of an item' })),
  unitCost: orNull(Type.String({ ...Money, description: 'Cost of one unit of an item' })),
  retired: Type.Boolean(),
});

const Item = Type.Object({ id: Id, retired: Type.Boolean(), item: ItemInput });
const Bundle = Type.Object({ id: Id, edition: Count, bundle: BundleInLibrary, makeup: BundleMakeup });
const Retire = Type.Object({ retired: Type.Boolean() }, closed);
const adds = [['library', 'propose'], ['cost']] as const;

export const libraryOperations = [
  operation({
    id: 'listLibrary',
    method: 'get',
    path: '/library',
    about: 'Library',
    title: 'Items and bundles; what is retired is left out unless it is asked for',
    needs: [['cost']],
    query: listQuery({
      kind: Type.Optional(Type.String({ description: '`item` or `bundle`' })),
      trade: Type.Optional(Type.String({ description: 'One trade, or several with commas between' })),
      state: Type.Optional(Type.String({ description: '`used` or `retired`' })),
    }),
    answer: paged(EntryRow),
    act: (actor, asked) => pageOf(actor, libraryList, asked, EntryRow, (row) => row),
  }),
  operation({
    id: 'addItem',
    method: 'post',
    path: '/library/items',
    about: 'Library',
    title: 'Adds an item',
    needs: adds,
    body: ItemInput,
    answer: Made,
    makes: true,
    act: async (actor, { body }) => ({ id: (await saveItem(actor, body)).id }),
  }),
  operation({
    id: 'readItem',
    method: 'get',
    path: '/library/items/{id}',
    about: 'Library',
    title: 'An item with what it costs',
    needs: [['cost']],
    answer: Item,
    act: async (actor, { path }) => {
      const { item, retired } = await readItem(actor, path.id!);
      const { id, ...rest } = item;
      return { id, retired, item: rest };
    },
  }),
  operation({
    id: 'changeItem',
    method: 'put',
    path: '/library/items/{id}',
    about: 'Library',
    title: 'Changes an item; what it cost before is kept, and proposals keep their copies',
    needs: [['library'], ['cost']],
    body: ItemInput,
    answer: Made,
    act: async (actor, { path, body }) => ({ id: (await saveItem(actor, body, path.id!)).id }),
  }),
  quietOperation({
    id: 'retireItem',
    method: 'post',
    path: '/library/items/{id}/retire',
    about: 'Library',
    title: 'Takes an item out of use, or back into it',
    needs: [['library']],
    body: Retire,
    act: (actor, { path, body }) => retireItem(actor, path.id!, check(Retire, body).retired),
  }),
  operation({
    id: 'addBundle',
    method: 'post',
    path: '/library/bundles',
    about: 'Library',
    title: 'Adds a bundle',
    needs: adds,
    body: BundleInLibrary,
    answer: Type.Object({ id: Id, edition: Count }),
    makes: true,
    act: async (actor, { body }) => {
      const { id, edition } = await addBundle(actor, body);
      return { id, edition };
    },
  }),
  operation({
    id: 'readBundle',
    method: 'get',
    path: '/library/bundles/{id}',
    about: 'Library',
    title: 'A bundle with everything in it, as a proposal takes it',
    note: 'Who does not see cost gets it without.',
    needs: [['propose', 'cost']],
    answer: Bundle,
    act: async (actor, { path }) => {
      const { id, edition, makeup, ...bundle } = await readBundle(actor, path.id!);
      return { id, edition, bundle, makeup };
    },
  }),
  operation({
    id: 'changeBundle',
    method: 'put',
    path: '/library/bundles/{id}',
    about: 'Library',
    title: 'Changes a bundle; copies in proposals stay until they are refreshed',
    note: 'Refused where it has another edition by now.',
    needs: [['library']],
    body: Type.Object(
      {
        edition: Type.Integer({ minimum: 1, description: 'As it was read' }),
        bundle: BundleInLibrary,
      },
      closed,
    ),
    answer: Type.Object({ id: Id, edition: Count }),
    act: async (actor, { path, body }) => {
      const { edition, bundle } = body as { edition: unknown; bundle: unknown };
      const saved = await saveBundle(actor, path.id!, edition, bundle);
      return { id: saved.id, edition: saved.edition };
    },
  }),
  quietOperation({
    id: 'retireBundle',
    method: 'post',
    path: '/library/bundles/{id}/retire',
    about: 'Library',
    title: 'Takes a bundle out of use, or back into it',
    needs: [['library']],
    body: Retire,
    act: (actor, { path, body }) => retireBundle(actor, path.id!, check(Retire, body).retired),
  }),
  fileOperation({
    id: 'libraryCsv',
    method: 'get',
    path: '/library.csv',
    about: 'Library',
    title: 'The items of the library, as CSV',
    needs: [['export'], ['cost']],
    files: ['text/csv'],
    act: async (actor) => ({ body: await libraryAsCsv(actor), type: csvType, name: 'library.csv' }),
  }),
  fileOperation({
    id: 'libraryXlsx',
    method: 'get',
    path: '/library.xlsx',
    about: 'Library',
    title: 'The items of the library, as a workbook',
    needs: [['export'], ['cost']],
    files: [xlsxType],
    act: async (actor) => ({ body: await libraryAsXlsx(actor), type: xlsxType, name: 'library.xlsx' }),
  }),
];

import type Type from 'typebox';
import { Allowance } from '@/model/allowance';
import { BillingAsk, CreditAsk, InvoiceShows } from '@/model/billing';
import { BundleMakeup, PartChange, Recipe } from '@/model/bundle';
import { AddressInput, CustomerInput } from '@/model/customerInputs';
import * as parts from '@/model/document';
import { DocumentWithin } from '@/model/documentWithin';
import { BundleInLibrary, ItemInput } from '@/model/library';
import { Room, Space } from '@/model/measure';
import { CostPart, Load, Markups, PriceBreaks, PricedItem } from '@/model/priced';
import { Unit } from '@/model/scalars';
import { permissions } from '@/model';
import { webhookEventNames, webhookEvents } from '@/model/webhookEvents';
import type { Operation } from './operation';
import { subjects } from './operation';
import { operations } from './operations';

/* The description of the interface (OpenAPI 3.1), from the table of operations and the schemas their doors check with. */

type Json = Record<string, unknown>;

/** What stands under a name of its own. */
const named: Readonly<Record<string, Type.TSchema>> = {
  Address: AddressInput,
  Allowance,
  Alternative: parts.Alternative,
  BillingAsk,
  Bundle: parts.Bundle,
  BundleMakeup,
  CostPart,
  CreditAsk,
  CustomerInput,
  Discount: parts.Discount,
  InvoiceShows,
  LibraryBundle: BundleInLibrary,
  LibraryItem: ItemInput,
  Line: parts.Line,
  Load,
  Markups,
  PartChange,
  PriceBreaks,
  PricedItem,
  ProposalDocument: DocumentWithin,
  Question: parts.Question,
  Recipe,
  Room,
  ScheduleEntry: parts.ScheduleEntry,
  Section: parts.Section,
  Space,
  Stage: parts.Stage,
  TaxClass: parts.TaxClass,
  Unit,
};

const problem: Json = {
  type: 'object',
  description: 'Problem details (RFC 9457)',
  required: ['type', 'code', 'title', 'status', 'detail'],
  properties: {
    type: { type: 'string', format: 'uri' },
    code: { type: 'string', description: 'Stable: a program decides by it' },
    title: { type: 'string' },
    status: { type: 'integer' },
    detail: { type: 'string', description: 'A sentence for people' },
    errors: {
      type: 'array',
      description: 'Places in what was sent, by JSON Pointer',
      items: {
        type: 'object',
        required: ['pointer', 'detail'],
        properties: { pointer: { type: 'string' }, detail: { type: 'string' } },
      },
    },
    context: { type: 'object', description: 'What is needed to go on' },
  },
};

/** A schema as plain JSON. */
export const plainSchema = <Plain = unknown>(schema: Type.TSchema): Plain =>
  JSON.parse(JSON.stringify(schema)) as Plain;

/** A schema in which what has a name of its own is named. */
function referring(schema: unknown, names: ReadonlyMap<string, string>, self?: string): unknown {
  if (Array.isArray(schema)) return schema.map((each) => referring(each, names));
  if (typeof schema !== 'object' || schema === null) return schema;
  const name = names.get(JSON.stringify(schema));
  if (name !== undefined && name !== self) return { $ref: `#/components/schemas/${name}` };
  return Object.fromEntries(Object.entries(schema).map(([key, value]) => [key, referring(value, names)]));
}

const names = new Map(
  Object.entries(named).map(([name, schema]) => [JSON.stringify(plainSchema(schema)), name] as const),
);
/** Under which name a schema stands in the description, if it has one. */
export const nameOfSchema = (schema: unknown): string | undefined => names.get(JSON.stringify(schema));

const schemaOf = (schema: Type.TSchema) => referring(plainSchema(schema), names);

const pathParameter = (name: string): Json => ({
  name,
  in: 'path',
  required: true,
  schema:
    name === 'id' || name === 'site'
      ? { type: 'string', format: 'uuid' }
      : { type: 'string', maxLength: 200 },
});

function queryParameters({ query, openQuery }: Operation): Json[] {
  if (!query) return [];
  const { properties, required = [] } = plainSchema(query) as {
    properties: Record<string, Json>;
    required?: readonly string[];
  };
  return [
    ...Object.entries(properties).map(([name, { description, ...schema }]) => ({
      ...{ name, in: 'query', required: required.includes(name), schema },
      ...(description === undefined ? {} : { description }),
    })),
    ...(openQuery
      ? [
          {
            ...{ name: 'filters', in: 'query', required: false, style: 'form', explode: true },
            description: 'Filters, each a parameter of its own, as they stand in the address of the page',
            schema: { type: 'object', additionalProperties: { type: 'string' } },
          },
        ]
      : []),
  ];
}

function bodyOf({ body, bytes }: Operation): Json {
  if (body)
    return { requestBody: { required: true, content: { 'application/json': { schema: schemaOf(body) } } } };
  if (!bytes) return {};
  return {
    requestBody: {
      required: true,
      description: `At most ${Math.floor(bytes.most / 1024 / 1024)} MB`,
      content: Object.fromEntries(
        bytes.media.map((media) => [media, { schema: { type: 'string', format: 'binary' } }]),
      ),
    },
  };
}

const refusal = (description: string): Json => ({
  description,
  content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
});

function answersOf(operation: Operation): Json {
  const refused = {
    '401': refusal('The token opens nothing'),
    '403': refusal('The program was not given this'),
    '4XX': refusal('Refused, and why'),
  };
  if ('files' in operation)
    return {
      '200': {
        description: 'The file',
        content: Object.fromEntries(
          operation.files.map((media) => [media, { schema: { type: 'string', format: 'binary' } }]),
        ),
      },
      ...refused,
    };
  if (operation.answer === null) return { '204': { description: 'It is done' }, ...refused };
  return {
    [operation.makes ? '201' : '200']: {
      description: operation.makes ? 'It is made' : 'As it is',
      content: { 'application/json': { schema: schemaOf(operation.answer) } },
    },
    ...refused,
  };
}

/** Which tokens open it: each of the alternatives names what the token must hold. */
const securityOf = ({ needs }: Operation): Json[] =>
  needs
    .reduce<string[][]>((sets, group) => sets.flatMap((set) => group.map((each) => [...set, each])), [[]])
    .map((held) => ({ token: held }));

const nameOf = (key: string) => permissions.find((each) => each.key === key)?.name ?? key;

/** What opens an operation, for people. */
export const needsInWords = ({ needs }: Operation): string =>
  needs.length === 0
    ? 'Any token opens it.'
    : `Needs ${needs.map((group) => group.map((key) => `“${nameOf(key)}”`).join(' or ')).join(', and ')}.`;

const describe = (operation: Operation): string =>
  [operation.note, needsInWords(operation)].filter(Boolean).join('\n\n');

function pathItems(): Record<string, Json> {
  const paths: Record<string, Json> = {};
  for (const operation of operations) {
    const inPath = [...operation.path.matchAll(/\{(\w+)\}/g)].map(([, name]) => pathParameter(name!));
    const parameters = [...inPath, ...queryParameters(operation)];
    (paths[operation.path] ??= {})[operation.method] = {
      operationId: operation.id,
      tags: [operation.about],
      summary: operation.title,
      description: describe(operation),
      security: securityOf(operation),
      ...(parameters.length > 0 ? { parameters } : {}),
      ...bodyOf(operation),
      responses: answersOf(operation),
    };
  }
  return paths;
}

const newsSchema: Json = {
  type: 'object',
  description: 'What happened to what; what stands in it is read with a token',
  required: ['id', 'event', 'at', 'subject', 'address'],
  properties: {
    id: { type: 'string', format: 'uuid', description: 'The same, however often it is sent' },
    event: { type: 'string', enum: [...webhookEventNames, 'trial'] },
    at: { type: 'string', format: 'date-time' },
    subject: { type: 'string', description: 'The identity of what it happened to' },
    address: {
      anyOf: [{ type: 'string' }, { type: 'null' }],
      description: 'Where more of it is to be read; null: nowhere',
    },
  },
};

/** What is sent to doors of other programs, by itself. */
const news = (): Json =>
  Object.fromEntries(
    webhookEvents.map(({ name, says }) => [
      name,
      {
        post: {
          operationId: `news.${name}`,
          tags: ['Access'],
          summary: says,
          description:
            'Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).',
          security: [],
          requestBody: {
            required: true,
            content: { 'application/json': { schema: { $ref: '#/components/schemas/News' } } },
          },
          responses: {
            '2XX': { description: 'It is taken' },
            '410': { description: 'The door wants no more news: it is ended' },
            '4XX': { description: 'It is sent again, nine times in some four hours' },
          },
        },
      },
    ]),
  );

/**
 * The description of the interface as an OpenAPI 3.1 document.
 * @param version of the product
 */
export const openApi = (version: string): Json => ({
  openapi: '3.1.0',
  info: {
    title: 'Impegno',
    version,
    summary: 'Proposals, agreements, invoices and payments of a contractor',
    description:
      'Amounts and quantities are decimal text, days are YYYY-MM-DD, instants are UTC. Lists are read on by their cursor. What is refused says why, with a code.',
    license: { name: 'MIT', identifier: 'MIT' },
  },
  servers: [{ url: '/api/v1' }],
  tags: subjects.map((name) => ({ name, description: `Operations on ${name.toLowerCase()}` })),
  paths: pathItems(),
  webhooks: news(),
  components: {
    securitySchemes: {
      token: {
        type: 'http',
        scheme: 'bearer',
        description:
          'A token, given under Settings, Connections. What it was given is said with each operation',
      },
    },
    schemas: {
      News: newsSchema,
      Problem: problem,
      ...Object.fromEntries(
        Object.entries(named).map(([name, schema]) => [name, referring(plainSchema(schema), names, name)]),
      ),
    },
  },
});

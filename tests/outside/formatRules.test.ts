/* The examples of docs/formats/rules.md, worked out by hand there, reckoned by what the command prints. */
import fs from 'node:fs';
import Ajv from 'ajv';
import { agreementReport } from '@/core/billing';
import { figuresReport } from '@/core/offer';
import type { AgreementFile, ProposalDocument } from '@/model';
import {
  AgreementFile as AgreementSchema,
  Choices as ChoicesSchema,
  ProposalDocument as DocumentSchema,
} from '@/model';

interface Example {
  readonly lines: readonly { readonly id: string }[];
  readonly document?: Partial<ProposalDocument>;
  readonly steps?: readonly unknown[];
  readonly comes: Readonly<Record<string, unknown>>;
}

const text = fs.readFileSync('docs/formats/rules.md', 'utf8');
const examples = [...text.matchAll(/```json\n([\s\S]*?)```/g)].map(
  ([, json], i) => [i + 1, JSON.parse(json!) as Example] as const,
);

const documentOf = ({ lines, document }: Example) => ({
  format: 'impegno-proposal',
  formatVersion: 1,
  title: 'Example',
  currency: 'USD',
  shows: 'lines',
  sections: [
    {
      id: 's',
      title: 'Section',
      entries: lines.map((line) => ({
        kind: 'line',
        description: `Line ${line.id}`,
        unit: 'each',
        quantity: '1',
        costs: [],
        taxClass: 't',
        ...line,
      })),
    },
  ],
  loads: [],
  fees: [],
  taxClasses: [{ id: 't', name: 'Tax', components: [] }],
  schedule: [{ id: 'rest', name: 'Rest', kind: 'final', share: { rest: true }, due: { on: 'acceptance' } }],
  ...document,
});

const at = (value: unknown, pointer: string): unknown =>
  pointer
    .split('/')
    .slice(1)
    .reduce<unknown>((inner, key) => (inner as Record<string, unknown> | undefined)?.[key], value);

const ajv = new Ajv({ strict: false, allErrors: true, formats: { uuid: true, date: true } });

/** What the served schemas say of a value; they are drafts that any validator reads. Each is compiled once. */
const wrong = (schema: object, value: unknown) => {
  const validate = ajv.compile(schema);
  validate(value);
  return validate.errors ?? [];
};

test.each([
  ['example.json', DocumentSchema],
  ['example-choices.json', ChoicesSchema],
  ['example-agreement.json', AgreementSchema],
] as const)('%s is as its schema says', (name, schema) => {
  expect(wrong(schema, JSON.parse(fs.readFileSync(`docs/formats/${name}`, 'utf8')))).toEqual([]);
});

test('there are examples', () => expect(examples.length).toBeGreaterThanOrEqual(12));

test('an invoice tells of a deposit, or of what is held, only where it has some', () => {
  const file = JSON.parse(fs.readFileSync('docs/formats/example-agreement.json', 'utf8')) as AgreementFile;
  const { papers } = agreementReport(file) as unknown as { papers: Record<string, unknown>[] };
  for (const name of ['deposit', 'retainage']) {
    const told = papers.filter((paper) => name in paper);
    expect(told.length).toBeGreaterThan(0);
    expect(told.length).toBeLessThan(papers.length);
    for (const paper of told) expect(paper[name]).not.toEqual([]);
  }
});

test.each(examples)('example %i of the rules', (_, example) => {
  const document = documentOf(example);
  expect(wrong(DocumentSchema, document)).toEqual([]);
  const file = {
    format: 'impegno-agreement',
    formatVersion: 1,
    proposal: document,
    steps: example.steps ?? [],
  };
  if (example.steps) expect(wrong(AgreementSchema, file)).toEqual([]);
  const report = example.steps
    ? agreementReport(file as unknown as AgreementFile)
    : figuresReport(document as unknown as ProposalDocument);
  const found = Object.fromEntries(
    Object.keys(example.comes).map((pointer) => [pointer, at(report, pointer)]),
  );
  expect(found).toEqual(example.comes);
});

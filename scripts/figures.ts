// npm run -s figures -- FILE [--choices FILE] [--range] [--target TARGET [--spread HOW]]: the figures of a proposal document, or of an agreement with its
// billing steps, as JSON. The core and nothing else.
import fs from 'node:fs';
import { parseArgs } from 'node:util';
import { check } from '@/services/check';
import { Problem } from '@/services/problem';
import { withRounds } from '@/core/allowance';
import { BillingError, agreementReport } from '@/core/billing';
import { checkChoices, linesOf, menuOf } from '@/core/choice';
import { checkDocument, figuresReport, misread, rangeReport, targetReport, troublesOf } from '@/core/offer';
import type { Figures } from '@/core/price';
import { computeFigures } from '@/core/price';
import type { Ask } from '@/core/shaping';
import { TargetError } from '@/core/shaping';
import { NotADecimal } from '@/core/number';
import { AgreementFile, Choices, ProposalDocument, asSuggested } from '@/model';

function fail(sentence: string): never {
  process.stderr.write(`${sentence}\n`);
  process.exit(1);
}

function readText(file: string): string {
  try {
    // A byte-order mark is none of the text.
    return fs.readFileSync(file, 'utf8').replace(/^\uFEFF/, '');
  } catch (error) {
    return fail(`${file}: ${(error as Error).message}`);
  }
}

function parsed(text: string, name: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    return fail(`${name}: ${(error as Error).message}`);
  }
}
const readJson = (file: string): unknown => parsed(readText(file), file);

/** `4200` is a total; `margin:25` and `markup:33.3` are percentages. */
function readAsk(target: string, spread: string): Ask {
  const match = /^(?:(margin|markup):)?(\d+(?:\.\d+)?)$/.exec(target);
  if (!match || !['cost', 'price', 'even'].includes(spread))
    return fail('--target is a total, margin:PERCENT or markup:PERCENT; --spread is cost, price or even.');
  const [, kind, value] = match;
  return {
    target:
      kind === undefined ? { kind: 'total', amount: value! } : { kind: kind as 'margin', percent: value! },
    spread: spread as Ask['spread'],
  };
}

const usage =
  'Usage: npm run -s figures -- FILE [--choices FILE] [--range] [--target 4200|margin:25|markup:33 [--spread cost|price|even]]';

function readArguments() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: {
        choices: { type: 'string' },
        range: { type: 'boolean' },
        target: { type: 'string' },
        spread: { type: 'string', default: 'cost' },
      },
    });
  } catch (error) {
    return fail(`${(error as Error).message.split('. ')[0]}.\n${usage}`);
  }
}
const { values, positionals } = readArguments();
const file = positionals[0] ?? fail(usage);
if (positionals.length > 1)
  fail(
    `One file at a time: ${positionals.slice(1).join(', ')} is one too many. Many documents go into one file, one a line.`,
  );

/** A document that can be reckoned with, or the end of this. */
function sound(document: ProposalDocument, name: string): ProposalDocument {
  const [wrong] = [
    ...checkDocument(document).filter(({ weight }) => weight === 'wrong'),
    ...misread(document),
  ];
  return wrong ? fail(`${name}: ${wrong.message}`) : document;
}

/** Whether several documents are printed, one a line. */
let many = false;
const print = (report: object) =>
  process.stdout.write(`${many ? JSON.stringify(report) : JSON.stringify(report, null, 2)}\n`);

/** What cannot be computed counts as nothing: that is said first, and loudly. */
function incomplete(figures: Figures, name: string): object {
  const troubles = troublesOf(figures);
  if (troubles.length === 0) return {};
  process.stderr.write(
    `${name}: incomplete, ${troubles.length === 1 ? 'one part' : `${troubles.length} parts`} cannot be computed and count as 0:\n${troubles.map(({ message }) => `  ${message}\n`).join('')}`,
  );
  process.exitCode = 2;
  return { incomplete: true, troubles };
}

function reportAgreement(given: unknown, name: string): void {
  for (const option of ['choices', 'target'] as const)
    if (values[option] !== undefined)
      fail(`${name}: an agreement is signed; --${option} goes with a proposal.`);
  if (values.range) fail(`${name}: an agreement is signed; --range goes with a proposal.`);
  const agreement = check(AgreementFile, given, name);
  sound(agreement.proposal, name);
  for (const step of agreement.steps) if ('change' in step) sound(step.change, step.change.title);
  print({
    ...incomplete(computeFigures(agreement.proposal, agreement.choices), name),
    ...agreementReport(agreement),
  });
}

function reportProposal(given: unknown, name: string): void {
  const document = check(ProposalDocument, given, name);
  sound(document, name);
  const choices =
    values.choices === undefined ? asSuggested : check(Choices, readJson(values.choices), values.choices);
  const rounds = document.sections.flatMap((section) =>
    [...linesOf(section)].flatMap(({ allowance }) => allowance?.rounds ?? []),
  );
  const [problem] = checkChoices(withRounds(menuOf(document), rounds), choices);
  if (problem) fail(`${values.choices ?? `${name}, as suggested`}: ${problem.id}: ${problem.message}`);
  const report = {
    ...incomplete(computeFigures(document, choices), name),
    ...figuresReport(document, choices),
    ...(values.range ? { range: rangeReport(document) } : {}),
    ...(values.target === undefined
      ? {}
      : { shaped: targetReport(document, readAsk(values.target, values.spread), choices) }),
  };
  print(report);
}

const formats = { 'impegno-proposal': reportProposal, 'impegno-agreement': reportAgreement } as const;

/** One document: what it says it is decides how it is read. */
function report(given: unknown, name: string): void {
  const { format, formatVersion } = (given ?? {}) as { format?: unknown; formatVersion?: unknown };
  if (typeof format !== 'string' || !Object.hasOwn(formats, format))
    fail(
      `${name}: “format” is ${JSON.stringify(format) ?? 'missing'}; known are “impegno-proposal” and “impegno-agreement”.`,
    );
  if (formatVersion !== 1)
    fail(`${name}: “formatVersion” is ${JSON.stringify(formatVersion) ?? 'missing'}; this reads version 1.`);
  formats[format as keyof typeof formats](given, name);
}

try {
  const text = readText(file);
  const lines = text.split('\n').filter((line) => line.trim() !== '');
  // JSON lines: every line is a document by itself.
  many =
    lines.length > 1 &&
    lines.every((line) => line.trimStart().startsWith('{') && line.trimEnd().endsWith('}'));
  if (many)
    lines.forEach((line, i) => report(parsed(line, `${file}, line ${i + 1}`), `${file}, line ${i + 1}`));
  else report(parsed(text, file), file);
} catch (error) {
  if (error instanceof TargetError || error instanceof NotADecimal || error instanceof BillingError)
    fail(error.message);
  if (!(error instanceof Problem)) throw error;
  fail(error.message);
}

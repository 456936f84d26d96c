// npm run -s figures -- FILE [--choices FILE] [--range] [--target TARGET [--spread HOW]]: the figures of a proposal document, or of an agreement with its
// billing steps, as JSON. The core and nothing else.
import fs from 'node:fs';
import { parseArgs } from 'node:util';
import { check } from '@/acts/check';
import { Problem } from '@/acts/problem';
import { withRounds } from '@/core/allowance';
import { BillingError, agreementReport } from '@/core/billing';
import { checkChoices, linesOf, menuOf } from '@/core/choice';
import { checkDocument, figuresReport, rangeReport, targetReport } from '@/core/offer';
import type { Ask } from '@/core/shaping';
import { TargetError } from '@/core/shaping';
import { NotADecimal } from '@/core/number';
import { AgreementFile, Choices, ProposalDocument, asSuggested } from '@/model';

function fail(sentence: string): never {
  process.stderr.write(`${sentence}\n`);
  process.exit(1);
}

function readJson(file: string): unknown {
  try {
    return JSON.parse(fs.readFileSync(file, 'utf8'));
  } catch (error) {
    return fail(`${file}: ${(error as Error).message}`);
  }
}

/** `4200` is a total; `margin:25` and `markup:33.3` are per cents. */
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

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    choices: { type: 'string' },
    range: { type: 'boolean' },
    target: { type: 'string' },
    spread: { type: 'string', default: 'cost' },
  },
});
const file =
  positionals[0] ??
  fail('Usage: npm run -s figures -- FILE [--choices FILE] [--range] [--target 4200|margin:25|markup:33]');

/** A document that can be reckoned with, or the end of this. */
function sound(document: ProposalDocument, name: string): ProposalDocument {
  const [wrong] = checkDocument(document).filter(({ weight }) => weight === 'wrong');
  return wrong ? fail(`${name}: ${wrong.message}`) : document;
}

const print = (report: object) => process.stdout.write(`${JSON.stringify(report, null, 2)}\n`);

function reportAgreement(given: unknown): void {
  const agreement = check(AgreementFile, given, file);
  sound(agreement.proposal, file);
  for (const step of agreement.steps) if ('change' in step) sound(step.change, step.change.title);
  print(agreementReport(agreement));
}

function reportProposal(given: unknown): void {
  const document = check(ProposalDocument, given, file);
  sound(document, file);
  const choices =
    values.choices === undefined ? asSuggested : check(Choices, readJson(values.choices), values.choices);
  const rounds = document.sections.flatMap((section) =>
    [...linesOf(section)].flatMap(({ allowance }) => allowance?.rounds ?? []),
  );
  const [problem] = checkChoices(withRounds(menuOf(document), rounds), choices);
  if (problem) fail(`${values.choices}: ${problem.id}: ${problem.message}`);
  const report = {
    ...figuresReport(document, choices),
    ...(values.range ? { range: rangeReport(document) } : {}),
    ...(values.target === undefined
      ? {}
      : { shaped: targetReport(document, readAsk(values.target, values.spread), choices) }),
  };
  print(report);
}

try {
  const given = readJson(file);
  if ((given as { format?: unknown } | null)?.format === 'impegno-agreement') reportAgreement(given);
  else reportProposal(given);
} catch (error) {
  if (error instanceof TargetError || error instanceof NotADecimal || error instanceof BillingError)
    fail(error.message);
  if (!(error instanceof Problem)) throw error;
  fail(
    [
      error.message,
      ...(error.details.errors ?? []).map(({ pointer, detail }) => `  ${pointer}: ${detail}`),
    ].join('\n'),
  );
}

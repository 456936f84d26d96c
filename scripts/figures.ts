// npm run -s figures -- FILE [--choices FILE] [--range]: the figures of a proposal document as JSON. The core and
// nothing else.
import fs from 'node:fs';
import { parseArgs } from 'node:util';
import { check } from '@/acts/check';
import { Problem } from '@/acts/problem';
import { checkChoices, menuOf } from '@/core/choice';
import { checkDocument, figuresReport, rangeReport } from '@/core/offer';
import { Choices, ProposalDocument, asSuggested } from '@/model';

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

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { choices: { type: 'string' }, range: { type: 'boolean' } },
});
const file = positionals[0] ?? fail('Usage: npm run -s figures -- FILE [--choices FILE] [--range]');
try {
  const document = check(ProposalDocument, readJson(file), file);
  const [wrong] = checkDocument(document).filter(({ weight }) => weight === 'wrong');
  if (wrong) fail(`${file}: ${wrong.message}`);
  const choices =
    values.choices === undefined ? asSuggested : check(Choices, readJson(values.choices), values.choices);
  const [problem] = checkChoices(menuOf(document), choices);
  if (problem) fail(`${values.choices}: ${problem.id}: ${problem.message}`);
  const report = {
    ...figuresReport(document, choices),
    ...(values.range ? { range: rangeReport(document) } : {}),
  };
  process.stdout.write(`${JSON.stringify(report, null, 2)}\n`);
} catch (error) {
  if (!(error instanceof Problem)) throw error;
  fail(
    [
      error.message,
      ...(error.details.errors ?? []).map(({ pointer, detail }) => `  ${pointer}: ${detail}`),
    ].join('\n'),
  );
}

// npm run mutation: changes the computation in one small place after the other and counts how many changes some unit test
// notices. A sample of places, the same each time for one seed; what survives is printed. It runs on a copy of the sources.
//   --mutants 40   how many          --seed 1        which sample
//   --files core/billing,core/price  where
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import ts from 'typescript';
import { root } from './cluster.mjs';
import { ensurePackages, say } from './machine.mjs';

ensurePackages();
const given = process.argv.slice(2);
const option = (name, usual) => {
  const at = given.indexOf(`--${name}`);
  return at === -1 ? usual : given[at + 1];
};
const most = Number(option('mutants', 40));
let seed = Number(option('seed', 1)) >>> 0;
const where = option(
  'files',
  'core/agreements,core/allowance,core/billing,core/choice,core/price,core/schedule',
).split(',');

/** The same numbers for one seed (a linear congruential generator; constants of Numerical Recipes, from memory). */
const random = () => {
  seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
  return seed / 2 ** 32;
};

const { SyntaxKind: Kind } = ts;
/** What an operator becomes. */
const swaps = new Map([
  [Kind.PlusToken, '-'],
  [Kind.MinusToken, '+'],
  [Kind.AsteriskToken, '/'],
  [Kind.SlashToken, '*'],
  [Kind.LessThanToken, '<='],
  [Kind.LessThanEqualsToken, '<'],
  [Kind.GreaterThanToken, '>='],
  [Kind.GreaterThanEqualsToken, '>'],
  [Kind.EqualsEqualsEqualsToken, '!=='],
  [Kind.ExclamationEqualsEqualsToken, '==='],
  [Kind.AmpersandAmpersandToken, '||'],
  [Kind.BarBarToken, '&&'],
  [Kind.PlusEqualsToken, '-='],
  [Kind.MinusEqualsToken, '+='],
]);

/** Every small change that can be made to a file. */
function mutantsOf(file) {
  const text = fs.readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const found = [];
  const add = (node, now) =>
    found.push({
      file,
      from: node.getStart(source),
      to: node.getEnd(),
      now,
      line: source.getLineAndCharacterOfPosition(node.getStart(source)).line + 1,
      was: node.getText(source),
    });
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    // What is said in a refusal is no computation.
    if (ts.isThrowStatement(node) || ts.isTemplateExpression(node)) return;
    if (ts.isBinaryExpression(node) && swaps.has(node.operatorToken.kind)) {
      const text = [node.left, node.right].some(
        (side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side),
      );
      if (!text || node.operatorToken.kind !== Kind.PlusToken)
        add(node.operatorToken, swaps.get(node.operatorToken.kind));
    }
    if (ts.isConditionalExpression(node)) add(node.condition, `!(${node.condition.getText(source)})`);
    if (ts.isPrefixUnaryExpression(node) && node.operator === Kind.ExclamationToken)
      add(node, node.operand.getText(source));
    if (ts.isIfStatement(node)) add(node.expression, `!(${node.expression.getText(source)})`);
    if (node.kind === Kind.TrueKeyword) add(node, 'false');
    if (node.kind === Kind.FalseKeyword) add(node, 'true');
    if (ts.isBigIntLiteral(node)) add(node, node.text === '0n' ? '1n' : '0n');
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

function filesUnder(folder) {
  if (fs.statSync(folder).isFile()) return [folder];
  return fs
    .readdirSync(folder)
    .sort()
    .flatMap((name) => filesUnder(path.join(folder, name)))
    .filter((file) => /\.ts$/.test(file) && !/\.test\.ts$|\/index\.ts$/.test(file));
}

const all = where.flatMap((each) => filesUnder(path.join(root, 'src', each))).flatMap(mutantsOf);
const chosen = [];
const pool = [...all];
while (chosen.length < most && pool.length > 0)
  chosen.push(...pool.splice(Math.floor(random() * pool.length), 1));

/** A copy of what unit tests need; packages are those of the project. */
function copy() {
  const home = fs.mkdtempSync(path.join(os.tmpdir(), 'impegno-mutation-'));
  for (const name of ['src', 'tests', 'scripts', 'docs', 'app'])
    fs.cpSync(path.join(root, name), path.join(home, name), { recursive: true });
  for (const name of ['package.json', 'tsconfig.json', 'jest.config.mjs', 'next.config.ts'])
    fs.copyFileSync(path.join(root, name), path.join(home, name));
  fs.symlinkSync(path.join(root, 'node_modules'), path.join(home, 'node_modules'));
  return home;
}

/** Whether the tests pass in a copy; a run that takes too long has noticed something. `said` gets what they say. */
let limit = 1_800_000;
const pass = (home, args, said = () => undefined) =>
  new Promise((resolve) => {
    const child = spawn(
      process.execPath,
      [
        '--experimental-vm-modules',
        '--no-warnings',
        'node_modules/jest/bin/jest.js',
        '-w',
        '1',
        '--silent',
        '--bail',
        '--passWithNoTests',
        ...args,
      ],
      {
        cwd: home,
        stdio: ['ignore', 'ignore', 'pipe'],
        detached: true,
        env: { ...process.env, NODE_ENV: 'test', npm_config_loglevel: 'error' },
      },
    );
    child.stderr.on('data', (data) => said(String(data)));
    const timer = setTimeout(() => {
      said(`Not done after ${limit / 1000} s.\n`);
      process.kill(-child.pid, 'SIGKILL');
      resolve(false);
    }, limit);
    child.on('exit', (code) => {
      clearTimeout(timer);
      resolve(code === 0);
    });
  });

/** All of the computation, but for those tests that start programs. */
const everything = [
  '--testPathIgnorePatterns',
  'figuresCommand',
  'invoiceXml',
  'hybridPdf',
  '--',
  'src/core',
  'tests/outside',
];

const survived = [];
let killed = 0;
let next = 0;
async function worker() {
  const home = copy();
  try {
    while (next < chosen.length) {
      const mutant = chosen[next++];
      const at = path.relative(root, mutant.file);
      const target = path.join(home, at);
      const text = fs.readFileSync(mutant.file, 'utf8');
      fs.writeFileSync(target, text.slice(0, mutant.from) + mutant.now + text.slice(mutant.to));
      // The tests beside it first, as they are quick.
      const alive = (await pass(home, [path.dirname(at)])) && (await pass(home, everything));
      fs.writeFileSync(target, text);
      if (alive) survived.push(`${at}:${mutant.line}: ${mutant.was} → ${mutant.now}`);
      else killed += 1;
      process.stdout.write(alive ? `\nsurvived  ${survived.at(-1)}\n` : '.');
    }
  } finally {
    fs.rmSync(home, { recursive: true, force: true });
  }
}
// A score of tests that fail anyway would say nothing.
const began = Date.now();
const plain = copy();
let said = '';
const sound = await pass(plain, everything, (more) => (said += more));
fs.rmSync(plain, { recursive: true, force: true });
if (!sound) {
  process.stderr.write(`The tests fail as it is:\n${said}`);
  process.exit(1);
}
limit = Math.max(120_000, 4 * (Date.now() - began));
say(`${all.length} places, ${chosen.length} of them tried:`);
await Promise.all(Array.from({ length: Math.max(1, Math.min(2, os.cpus().length)) }, worker));
say('');
say(
  `score: ${killed} of ${chosen.length} noticed (${Math.round((100 * killed) / Math.max(1, chosen.length))} %)`,
);

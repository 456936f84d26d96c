// Writes Ant Design's style sheet in the product's colours, light and dark, so that no style is computed in the browser
// and nothing flashes. Run after a change of src/ui/theme or of the parts used: npm run theme; the tests run it with
// --check.
import { extractStyle } from '@ant-design/static-style-extract';
import { ConfigProvider, theme } from 'antd';
import fs from 'node:fs';
import path from 'node:path';
import type React from 'react';
import { antTheme, dark, light, tokenClass } from '@/ui/theme/antTheme';

/** What parts are made of, as far as it is styled by itself. */
const madeOf: Readonly<Record<string, readonly string[]>> = {
  App: ['message', 'Modal', 'Button'],
  AutoComplete: ['Select', 'Empty'],
  DatePicker: ['Button', 'Tag'],
  Dropdown: ['Menu', 'Button', 'Space'],
  Empty: [],
  Form: ['Tooltip'],
  generatePicker: ['DatePicker'],
  Modal: ['Button'],
  Pagination: ['Select', 'Input'],
  Popconfirm: ['Popover', 'Button'],
  Select: ['Empty', 'Spin', 'Tag'],
  Table: ['Pagination', 'Spin', 'Empty', 'Checkbox', 'Radio', 'Dropdown', 'Tooltip'],
  Upload: ['Button', 'Progress', 'Tooltip'],
};

/** They wrap others and have no style of their own. */
const styleless = new Set(['ConfigProvider', 'theme', 'generatePicker']);

/** The parts of Ant Design that the code imports, and what they are made of; the style sheet holds no other. */
function partsInUse(): string[] {
  const used = new Set<string>();
  const add = (part: string) => {
    if (used.has(part)) return;
    used.add(part);
    madeOf[part]?.forEach(add);
  };
  for (const floor of ['app', 'src'])
    for (const file of fs.readdirSync(floor, { recursive: true, encoding: 'utf8' })) {
      if (!/\.tsx?$/.test(file)) continue;
      const text = fs.readFileSync(path.join(floor, file), 'utf8');
      for (const [, names] of text.matchAll(/import \{([^}]*)\} from 'antd'/g))
        names!
          .split(',')
          .map((name) => name.trim().split(' ')[0]!)
          .filter((name) => /^[A-Z]/.test(name))
          .forEach(add);
      for (const [, name] of text.matchAll(/import (\w+) from 'antd\/es\//g)) add(name!);
    }
  return [...used].filter((part) => !styleless.has(part)).sort();
}

const includes = partsInUse();

const sheet = (colours: typeof light | typeof dark, algorithm: typeof theme.defaultAlgorithm) =>
  extractStyle({
    customTheme: (node: React.ReactNode) => (
      <ConfigProvider theme={{ ...antTheme(colours), algorithm }}>{node}</ConfigProvider>
    ),
    includes,
  } as never);

/** Only the blocks that set custom properties. */
function tokensOf(css: string): string[] {
  return [...css.matchAll(new RegExp(`\\.${tokenClass}[^{}]*\\{[^{}]*\\}`, 'g'))]
    .map(([block]) => block)
    .filter((block) => block.includes('{--'));
}

/** Colours by which parts could be coloured and are not: their tokens are named nowhere. */
const PALETTES = 'blue|purple|cyan|green|magenta|pink|red|orange|yellow|volcano|geekblue|gold|lime';

/** The sheet without tokens of palettes that no rule takes. */
function withoutPalettes(css: string): string {
  const taken = new Set([...css.matchAll(/var\((--ant-[\w-]+)/g)].map(([, name]) => name!));
  return css.replace(
    new RegExp(`(--ant-(?:${PALETTES})(?:-\\d+|-hover|-active)?):[^;{}]*;`, 'g'),
    (whole, name: string) => (taken.has(name) ? whole : ''),
  );
}

/** A block of tokens: what it is for, and each of them with its value. */
const blockOf = (block: string) => {
  const at = block.indexOf('{');
  const tokens = [...block.slice(at).matchAll(/(--[\w-]+):([^;{}]*);/g)];
  return { of: block.slice(0, at), tokens: tokens.map(([, name, value]) => [name!, value!] as const) };
};

/**
 * What the dark tokens say otherwise than the light ones. A token that is otherwise anywhere is said everywhere, because a
 * dark block for all parts weighs more than a light one for a single part.
 */
function onlyOtherwise(darkBlocks: readonly string[], lightBlocks: readonly string[]): string[] {
  const inLight = new Map<string, string>();
  for (const { of, tokens } of lightBlocks.map(blockOf))
    for (const [name, value] of tokens) inLight.set(`${of} ${name}`, value);
  const blocks = darkBlocks.map(blockOf);
  const otherwise = new Set(
    blocks.flatMap(({ of, tokens }) =>
      tokens.filter(([name, value]) => inLight.get(`${of} ${name}`) !== value).map(([name]) => name),
    ),
  );
  return blocks.flatMap(({ of, tokens }) => {
    const said = tokens.filter(([name]) => otherwise.has(name));
    return said.length === 0 ? [] : [`${of}{${said.map(([name, value]) => `${name}:${value};`).join('')}}`];
  });
}

const lightSheet = withoutPalettes(sheet(light, theme.defaultAlgorithm));
const darkTokens = onlyOtherwise(
  tokensOf(withoutPalettes(sheet(dark, theme.darkAlgorithm))),
  tokensOf(lightSheet),
);
const own = (colours: Record<string, string>) =>
  Object.entries(colours)
    .map(([name, value]) => `--${name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)}:${value};`)
    .join('');
const under = (scope: string) => darkTokens.map((block) => `${scope} ${block}`).join('');

const header = '/* Written by scripts/theme.tsx (npm run theme). */';
const tokens = [
  header,
  `:root{color-scheme:light;${own(light)}}`,
  `:root[data-theme='dark']{color-scheme:dark;${own(dark)}}`,
  `@media (prefers-color-scheme:dark){:root:not([data-theme]){color-scheme:dark;${own(dark)}}}`,
].join('\n');
const css = [
  header,
  lightSheet,
  under(":root[data-theme='dark']"),
  `@media (prefers-color-scheme:dark){${under(':root:not([data-theme])')}}`,
].join('\n');
/** With `--check` nothing is written: it is said whether the files are as they would be. */
const checking = process.argv.includes('--check');
const files: readonly (readonly [string, string])[] = [
  ['src/ui/theme/tokens.css', `${tokens}\n`],
  ['src/ui/theme/antd.css', css],
];
for (const [file, text] of files) {
  if (!checking) fs.writeFileSync(file, text);
  else if (!fs.existsSync(file) || fs.readFileSync(file, 'utf8') !== text) {
    process.stdout.write(`${file} is not what the parts in use come to: npm run theme.\n`);
    process.exitCode = 1;
  }
}
// Every part in use has rules in the sheet; one that has none would be drawn without its looks.
for (const part of includes) {
  const name = part.replace(/([a-z])([A-Z])/g, '$1-$2').toLowerCase();
  const prefix = { 'date-picker': 'picker', dropdown: 'dropdown', 'auto-complete': 'select' }[name] ?? name;
  if (!['app', 'form'].includes(name) && !css.includes(`.ant-${prefix === 'button' ? 'btn' : prefix}`)) {
    process.stdout.write(`There is no style for ${part}.\n`);
    process.exitCode = 1;
  }
}
process.stdout.write(
  `${includes.length} parts, ${Math.round(css.length / 1024)} KB, ${darkTokens.length} blocks of dark tokens\n`,
);

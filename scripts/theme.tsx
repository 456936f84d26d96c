// Writes Ant Design's style sheet in the product's colours, light and dark, so that no style is computed in the browser
// and nothing flashes. Run after a change of src/ui/theme or of the parts used: npm run theme.
import { extractStyle } from '@ant-design/static-style-extract';
import { ConfigProvider, theme } from 'antd';
import fs from 'node:fs';
import type React from 'react';
import { antTheme, dark, light, tokenClass } from '@/ui/theme/antTheme';

/** The parts of Ant Design the product uses; the style sheet holds no other. */
const includes = [
  'Alert',
  'App',
  'Button',
  'Checkbox',
  'Dropdown',
  'Empty',
  'Form',
  'Input',
  'Menu',
  'message',
  'Modal',
  'Pagination',
  'Popover',
  'Popconfirm',
  'Radio',
  'Segmented',
  'Select',
  'Space',
  'Spin',
  'Switch',
  'Table',
  'Tag',
  'Tooltip',
];

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

const lightSheet = sheet(light, theme.defaultAlgorithm);
const darkTokens = tokensOf(sheet(dark, theme.darkAlgorithm));
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
fs.writeFileSync('src/ui/theme/tokens.css', `${tokens}\n`);
fs.writeFileSync('src/ui/theme/antd.css', css);
process.stdout.write(`${Math.round(css.length / 1024)} KB, ${darkTokens.length} blocks of dark tokens\n`);

/* Draws the two sample plans at 40 pixels to the foot: SVG for reading, PNG for the application. */
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { chromium } from '@playwright/test';

const FOOT = 40;
const folder = path.join(import.meta.dirname, '..', 'src', 'gateways', 'plans');
const px = (feet) => Math.round(feet * FOOT * 10) / 10;

const wall = (points, closed = true) =>
  `<path class="wall" d="M${points.map(([x, y]) => `${px(x)} ${px(y)}`).join('L')}${closed ? 'Z' : ''}"/>`;
const line = (kind, points, closed = false) =>
  `<path class="${kind}" d="M${points.map(([x, y]) => `${px(x)} ${px(y)}`).join('L')}${closed ? 'Z' : ''}"/>`;
const rect = (kind, x, y, w, h) =>
  `<rect class="${kind}" x="${px(x)}" y="${px(y)}" width="${px(w)}" height="${px(h)}"/>`;
const text = (x, y, words, size = 0.75, more = '') =>
  `<text x="${px(x)}" y="${px(y)}" font-size="${px(size)}" text-anchor="middle" ${more}>${words}</text>`;
/** A dimension: a line with a slanted stroke at each end and its figure above. */
function dimension([x1, y1], [x2, y2], words) {
  const stroke = (x, y) =>
    line('dim', [
      [x - 0.25, y + 0.25],
      [x + 0.25, y - 0.25],
    ]);
  const [mx, my] = [(x1 + x2) / 2, (y1 + y2) / 2];
  const label =
    x1 === x2
      ? text(mx - 0.35, my, words, 0.75, `transform="rotate(-90 ${px(mx - 0.35)} ${px(my)})"`)
      : text(mx, my - 0.35, words);
  return (
    line('dim', [
      [x1, y1],
      [x2, y2],
    ]) +
    stroke(x1, y1) +
    stroke(x2, y2) +
    label
  );
}
const bar = (x, y) =>
  [0, 1, 2, 3].map((i) => rect(i % 2 ? 'bar-open' : 'bar', x + i * 2.5, y, 2.5, 0.4)).join('') +
  [0, 5, 10].map((feet) => text(x + feet, y + 1.3, feet === 10 ? '10 ft' : String(feet), 0.65)).join('');

function sheet(width, height, title, body) {
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${px(width)}" height="${px(height)}" viewBox="0 0 ${px(width)} ${px(height)}">
<style>
  text { font-family: Chivo, sans-serif; fill: #2b2a26; }
  .wall { fill: none; stroke: #2b2a26; stroke-width: 20; stroke-linejoin: miter; }
  .thin { fill: none; stroke: #2b2a26; stroke-width: 3; }
  .open { fill: #fff; stroke: #2b2a26; stroke-width: 3; }
  .new { fill: none; stroke: #2b2a26; stroke-width: 5; stroke-dasharray: 26 12; }
  .fence { fill: none; stroke: #2b2a26; stroke-width: 4; stroke-dasharray: 4 14; stroke-linecap: round; }
  .dim { fill: none; stroke: #6b675e; stroke-width: 2; }
  .solid, .bar { fill: #2b2a26; stroke: #2b2a26; stroke-width: 2; }
  .bar-open { fill: #fff; stroke: #2b2a26; stroke-width: 2; }
  .leaf { fill: none; stroke: #8a8578; stroke-width: 2.5; }
</style>
<rect width="100%" height="100%" fill="#fffdf8"/>
${body}
${text(width / 2, height - 0.8, title, 0.9, 'font-weight="700"')}
</svg>
`;
}

const shrub = (x, y, r) =>
  `<circle class="leaf" cx="${px(x)}" cy="${px(y)}" r="${px(r)}"/><circle class="leaf" cx="${px(x)}" cy="${px(y)}" r="${px(r / 3)}"/>`;
const rearPorch = sheet(
  50,
  39,
  'Rear of house, ground floor',
  [
    wall([
      [4, 3],
      [44, 3],
      [44, 14],
      [4, 14],
    ]),
    line('thin', [
      [22, 3.25],
      [22, 13.75],
    ]),
    rect('open', 14, 13.7, 6, 0.6),
    line('thin', [
      [14, 14],
      [20, 14],
    ]),
    rect('open', 32, 13.7, 5, 0.6),
    line('thin', [
      [32, 14],
      [37, 14],
    ]),
    text(13, 8.7, 'Kitchen', 0.95),
    text(33, 8.7, 'Living room', 0.95),
    rect('solid', 22, 14.25, 4, 1.75),
    line('new', [
      [10, 14],
      [10, 28],
      [26, 28],
      [26, 14],
    ]),
    text(15, 20, 'New porch', 0.95),
    ...[
      [10, 21],
      [26, 21],
      [10, 28],
      [15.33, 28],
      [20.67, 28],
      [26, 28],
    ].map(([x, y]) => rect('solid', x - 0.3, y - 0.3, 0.6, 0.6)),
    rect('thin', 16, 28, 4, 1),
    rect('thin', 16, 29, 4, 1),
    rect('thin', 16, 30, 4, 1),
    line('fence', [
      [2, 14],
      [2, 35],
      [48, 35],
      [48, 14],
    ]),
    text(38, 34.4, 'Fence', 0.75),
    shrub(34, 22, 2.2),
    shrub(40, 27, 1.6),
    shrub(6, 31, 1.5),
    dimension([4, 1.6], [44, 1.6], '40′ 0″'),
    dimension([8, 14], [8, 28], '14′ 0″'),
    dimension([10, 32.6], [26, 32.6], '16′ 0″'),
    bar(32, 36.3),
  ].join('\n'),
);
const attic = sheet(
  46,
  34,
  'Attic floor',
  [
    wall([
      [5, 4],
      [41, 4],
      [41, 28],
      [5, 28],
    ]),
    line('new', [
      [5, 8],
      [41, 8],
    ]),
    line('new', [
      [5, 24],
      [41, 24],
    ]),
    text(23, 6.3, 'Low behind the knee wall', 0.75),
    text(23, 26.4, 'Low behind the knee wall', 0.75),
    rect('open', 10, 20.5, 10, 3.5),
    ...Array.from({ length: 9 }, (_, i) =>
      line('thin', [
        [11 + i, 20.5],
        [11 + i, 24],
      ]),
    ),
    text(15, 19.9, 'Stairs down', 0.75),
    rect('solid', 30, 14.5, 3, 3),
    text(31.5, 13.9, 'Chimney', 0.75),
    ...[
      [12, 9.5],
      [19, 9.5],
      [26, 9.5],
      [35, 9.5],
    ].map(([x, y]) => rect('thin', x - 1, y - 1.2, 2, 2.4)),
    text(22.5, 9.8, 'Skylights', 0.65),
    text(20, 15.5, 'New room', 0.95),
    dimension([5, 2.6], [41, 2.6], '36′ 0″'),
    dimension([3.6, 4], [3.6, 28], '24′ 0″'),
    dimension([42.6, 8], [42.6, 24], '16′ 0″'),
    bar(30, 30.2),
  ].join('\n'),
);

const font = (weight) =>
  readFileSync(
    path.join(
      import.meta.dirname,
      '..',
      'node_modules',
      '@fontsource',
      'chivo',
      'files',
      `chivo-latin-${weight}-normal.woff`,
    ),
  ).toString('base64');
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
for (const [name, svg] of [
  ['rear-porch', rearPorch],
  ['attic', attic],
]) {
  writeFileSync(path.join(folder, `${name}.svg`), svg);
  const page = await browser.newPage({ viewport: { width: 2000, height: 1560 } });
  const faces = [400, 700]
    .map(
      (weight) =>
        `@font-face{font-family:Chivo;font-weight:${weight};src:url(data:font/woff;base64,${font(weight)})}`,
    )
    .join('');
  await page.setContent(`<style>${faces} body{margin:0} svg{display:block}</style>${svg}`);
  await page.evaluate(() => document.fonts.ready);
  await page.locator('svg').screenshot({ path: path.join(folder, `${name}.png`) });
  await page.close();
}
await browser.close();

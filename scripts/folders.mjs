// No circle between the folders of a floor (src/desk, src/core, …), imports of types alone included: dependency-cruiser's
// rule sees files. A folder here is what stands on a floor; files that stand on the floor itself count as one.
import fs from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { root } from './cluster.mjs';

const files = fs
  .readdirSync(path.join(root, 'src'), { recursive: true })
  .map((file) => `src/${file.split(path.sep).join('/')}`)
  .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file));
const known = new Set(files);

function target(from, named) {
  const there = named.startsWith('@/')
    ? `src/${named.slice(2)}`
    : named.startsWith('.')
      ? path.posix.join(path.posix.dirname(from), named)
      : null;
  return there && ['', '.ts', '.tsx', '/index.ts'].map((end) => there + end).find((file) => known.has(file));
}

const floorOf = (file) => file.split('/')[1];
const folderOf = (file) => {
  const [src, floor, folder, more] = file.split('/');
  return more === undefined ? `${src}/${floor}` : `${src}/${floor}/${folder}`;
};

/** Folder → the folders of its floor it imports from, each with one import that does so. */
const edges = new Map();
for (const file of files) {
  const { importedFiles } = ts.preProcessFile(fs.readFileSync(path.join(root, file), 'utf8'), true, true);
  for (const { fileName } of importedFiles) {
    const to = target(file, fileName);
    if (!to || floorOf(to) !== floorOf(file) || folderOf(to) === folderOf(file)) continue;
    const from = edges.get(folderOf(file)) ?? new Map();
    edges.set(folderOf(file), from.set(folderOf(to), from.get(folderOf(to)) ?? `${file} → ${to}`));
  }
}

/** The way from a folder back to itself, or null. */
function wayBack(start) {
  const queue = [[start]];
  const seen = new Set();
  for (let way = queue.shift(); way; way = queue.shift())
    for (const next of edges.get(way.at(-1))?.keys() ?? []) {
      if (next === start) return [...way, start];
      if (!seen.has(next)) {
        seen.add(next);
        queue.push([...way, next]);
      }
    }
  return null;
}

const circles = new Map();
for (const folder of edges.keys()) {
  const way = wayBack(folder);
  if (way) circles.set([...new Set(way)].sort().join(), way);
}
for (const way of circles.values()) {
  process.stdout.write(`${way.join(' → ')}\n`);
  way.slice(0, -1).forEach((folder, i) => process.stdout.write(`    ${edges.get(folder).get(way[i + 1])}\n`));
}
if (files.length === 0) process.stdout.write('No file was found.\n');
process.stdout.write(`${edges.size} folders, ${circles.size} circles\n`);
process.exit(circles.size > 0 || files.length === 0 ? 1 : 0);

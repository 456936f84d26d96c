import { readFile, readdir } from 'node:fs/promises';
import path from 'node:path';
import { Marked } from 'marked';
import type { GuideEntry } from '@/model';

/** Whom a page of the guide is written for, in the order they stand. */
export const guideReaders = ['owner', 'seller', 'office', 'field', 'customer', 'everybody'] as const;
export type GuideReader = (typeof guideReaders)[number];

/** A page of the guide. */
export interface GuidePage extends GuideEntry {
  readonly readers: readonly GuideReader[];
  /** Of our own files alone: nothing in it is anybody's. */
  readonly html: string;
}

/** What stands before the text of a page: `key: value`, a line each, between two lines of `---`. */
const HEAD = /^---\n([\s\S]*?)\n---\n/;

const listed = (text = '') =>
  text
    .split(',')
    .map((each) => each.trim())
    .filter((each) => each !== '' && each !== 'none');

/** Reads a page of the guide from its file. */
export function readGuidePage(slug: string, text: string): GuidePage {
  const head = HEAD.exec(text);
  if (!head) throw new Error(`The page ${slug} of the guide has no head.`);
  const said = new Map(
    head[1]!.split('\n').map((line) => {
      const at = line.indexOf(':');
      return [line.slice(0, at).trim(), line.slice(at + 1).trim()] as const;
    }),
  );
  const readers = listed(said.get('for')) as GuideReader[];
  const unknown = readers.find((each) => !guideReaders.includes(each));
  if (unknown || readers.length === 0 || !said.get('title'))
    throw new Error(`The page ${slug} of the guide does not say what it is and for whom.`);
  return {
    ...{
      slug,
      readers,
      title: said.get('title')!,
      also: said.get('also') ?? '',
      hint: said.get('hint') ?? '',
    },
    screens: listed(said.get('screens')),
    html: new Marked({ gfm: true }).parse(text.slice(head[0].length), { async: false }),
  };
}

let known: Promise<readonly GuidePage[]> | null = null;

/** All pages of the guide (docs/guide), by their titles. */
export function guidePages(): Promise<readonly GuidePage[]> {
  known ??= (async () => {
    const folder = path.join(process.cwd(), 'docs', 'guide');
    const files = (await readdir(folder)).filter((name) => /^[a-z-]+\.md$/.test(name));
    const pages = await Promise.all(
      files.map(async (name) =>
        readGuidePage(name.slice(0, -3), await readFile(path.join(folder, name), 'utf8')),
      ),
    );
    return pages.sort((a, b) => a.title.localeCompare(b.title, 'en'));
  })();
  return known;
}

/** What pages there are, without their text. */
export const guideIndex = async (): Promise<readonly GuideEntry[]> =>
  (await guidePages()).map(({ slug, title, also, screens, hint }) => ({ slug, title, also, screens, hint }));

/** One page; null where there is none of this name. */
export const guidePage = async (slug: string): Promise<GuidePage | null> =>
  (await guidePages()).find((page) => page.slug === slug) ?? null;

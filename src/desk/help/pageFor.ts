import type { GuideEntry } from '@/model';

const fits = (pattern: string, path: string): boolean =>
  new RegExp(`^${pattern.replace(/:[a-z]+/g, '[^/]+')}$`).test(path);

/**
 * The page of the guide about a screen: about its step or subject first, then about the screen, then about the place it
 * belongs to.
 * @param path of the address
 * @param place what stands behind its #
 */
export function pageFor(pages: readonly GuideEntry[], path: string, place: string): GuideEntry | null {
  const within = new URLSearchParams(place);
  const part = within.get('step') ?? within.get('about');
  const about = (address: string, exactly: string | null) =>
    pages.find(({ screens }) =>
      screens.some((screen) => {
        const [pattern, step = null] = screen.split('#') as [string, string?];
        return step === exactly && fits(pattern, address);
      }),
    );
  const root = `/${path.split('/')[1] ?? ''}`;
  return (part === null ? undefined : about(path, part)) ?? about(path, null) ?? about(root, null) ?? null;
}

/** The address of a place within a page; older addresses carry it behind the ?, the page at the server leads here. */
export const placeAddress = (path: string, place: Readonly<Record<string, string>>): string =>
  `${path}#${new URLSearchParams(place).toString()}`;

/**
 * As every page carries it in its first bytes: what the server drew is another place than the address names, so the parts
 * that go by the place (`.by-place`) stay unseen until they are the right ones.
 */
export const markPlace = `if(location.hash.length>1)document.documentElement.dataset.place=''`;

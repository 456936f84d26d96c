/** What is asked for to pick from: things with some words, or the one of an id. */
export interface Asked {
  readonly words?: string | undefined;
  readonly id?: string | undefined;
}

/** Things to pick from; more of them fit than are offered at once, or not. */
export interface Offered<Thing> {
  readonly found: readonly Thing[];
  readonly more: boolean;
}

/** So many are offered at once; whoever wants another types more of its name. */
export const OFFERED = 50;

/** The words of a search take so many letters. */
const LONGEST = 200;

/** Of what was asked for (one more than are given), what is given, and whether there is more. */
export const cutOffer = <Thing>(rows: readonly Thing[], most = OFFERED): Offered<Thing> => ({
  found: rows.slice(0, most),
  more: rows.length > most,
});

/** What the address of a door asks for: `?words=` or `?id=`. */
export function askedOf(request: Request): Asked {
  const asked = new URL(request.url).searchParams;
  const id = asked.get('id');
  return id === null ? { words: (asked.get('words') ?? '').slice(0, LONGEST) } : { id };
}

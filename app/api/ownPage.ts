import { Problem } from '@/services/problem';

/**
 * Refuses what a page of another site sends: a browser says where a request comes from.
 * @throws Problem `other-site`
 */
export function fromOwnPage(request: Request): void {
  const origin = request.headers.get('origin');
  const host = request.headers.get('host');
  // A page without an origin of its own says “null”.
  if (origin !== null && host !== null && (!URL.canParse(origin) || new URL(origin).host !== host))
    throw new Problem('other-site', 'This came from another site and was not done.');
}

/**
 * The body of a request up to a size; more is not even read.
 * @throws Problem `too-large`
 */
export async function limitedBody(request: Request, most: number): Promise<Uint8Array> {
  const tooLarge = () =>
    new Problem(
      'too-large',
      most < 1024 * 1024
        ? 'That is too much to send.'
        : `At most ${Math.floor(most / 1024 / 1024)} MB are taken. Divide the file.`,
    );
  if (Number(request.headers.get('content-length') ?? 0) > most) throw tooLarge();
  const parts: Uint8Array[] = [];
  let size = 0;
  if (request.body)
    for await (const part of request.body as unknown as AsyncIterable<Uint8Array>) {
      size += part.length;
      if (size > most) throw tooLarge();
      parts.push(part);
    }
  const whole = new Uint8Array(size);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/**
 * The JSON of a request up to a size.
 * @throws Problem `not-json`
 */
export async function jsonBody(request: Request, most: number): Promise<unknown> {
  const body = await limitedBody(request, most);
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(body)) as unknown;
  } catch {
    throw new Problem('not-json', 'This is not JSON.');
  }
}

import { Problem } from '@/acts/problem';

/** Refuses what a page of another site sends: a browser says where a request comes from. */
export function fromOwnPage(request: Request): void {
  const origin = request.headers.get('origin');
  const host = request.headers.get('host');
  if (origin !== null && host !== null && new URL(origin).host !== host)
    throw new Problem(403, 'This came from another site and was not done.');
}

/**
 * The body of a request up to a size; more is not even read.
 * @throws Problem 413
 */
export async function limitedBody(request: Request, most: number): Promise<Uint8Array> {
  const tooLarge = () =>
    new Problem(413, `At most ${Math.floor(most / 1024 / 1024)} MB are taken. Divide the file.`);
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

import { createHash } from 'node:crypto';
import { createSigner, createVerifier, httpbis } from 'http-message-signatures';

/** What a signature covers: the door, what is sent, and (by its digest) every byte of it. */
const COVERED = ['@method', '@path', 'content-type', 'content-digest'];
/** How old a message may be, in seconds; a service signs anew when it tries again. */
const OLDEST = 300;
/** Under which name the secret of a card service is known. */
const CARD_SERVICE = 'card-service';

/** The Content-Digest field of a body (RFC 9530, section 2). */
export const contentDigest = (body: string): string =>
  `sha-256=:${createHash('sha256').update(body, 'utf8').digest('base64')}:`;

/** A POST of JSON, signed with a shared secret (RFC 9421, hmac-sha256) under a name of the secret. */
export async function signedRequest(
  url: string,
  body: string,
  secret: string,
  now: Date,
  keyId = CARD_SERVICE,
): Promise<Request> {
  const { headers } = await httpbis.signMessage(
    {
      key: createSigner(secret, 'hmac-sha256', keyId),
      fields: COVERED,
      params: ['created', 'keyid', 'alg'],
      paramValues: { created: now },
    },
    {
      method: 'POST',
      url,
      headers: { 'content-type': 'application/json', 'content-digest': contentDigest(body) },
    },
  );
  return new Request(url, { method: 'POST', headers: headers as Record<string, string>, body });
}

/** Whether a request was signed with the secret, not long ago, and its body is the one that was signed. */
export async function isSignedWith(
  request: { readonly method: string; readonly url: string; readonly headers: Headers },
  body: string,
  secret: string,
  now: Date,
  keyId = CARD_SERVICE,
): Promise<boolean> {
  if (request.headers.get('content-digest') !== contentDigest(body)) return false;
  try {
    const verified = await httpbis.verifyMessage(
      {
        keyLookup: async ({ keyid }) =>
          keyid === keyId
            ? { id: keyId, algs: ['hmac-sha256'], verify: createVerifier(secret, 'hmac-sha256') }
            : null,
        requiredParams: ['created'],
        requiredFields: COVERED,
        notAfter: new Date(now.getTime() + OLDEST * 1000),
        all: true,
      },
      { method: request.method, url: request.url, headers: Object.fromEntries(request.headers) },
    );
    const created = /;created=(\d+)/.exec(request.headers.get('signature-input') ?? '')?.[1];
    return verified === true && now.getTime() / 1000 - Number(created) <= OLDEST;
  } catch {
    // A signature that cannot even be read is a wrong one.
    return false;
  }
}

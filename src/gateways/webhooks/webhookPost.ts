import { lookup } from 'node:dns';
import { request as httpRequest } from 'node:http';
import { request as httpsRequest } from 'node:https';
import { BlockList, isIP, isIPv6 } from 'node:net';
import type { LookupFunction } from 'node:net';

/** News that is brought to another program's door, signed already. */
export interface WebhookRequest {
  readonly address: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string;
}

/** What the door said: its status; or why it could not be asked. */
export type WebhookAnswer =
  | { readonly kind: 'answered'; readonly status: number }
  | { readonly kind: 'away' | 'refused'; readonly note: string };

/** Who brings news to other programs (docs/ports/webhooks.md). */
export interface WebhookPost {
  deliver(request: WebhookRequest): Promise<WebhookAnswer>;
}

/** So long a door may take, in milliseconds. */
const PATIENCE = 10_000;

/** What is not the open internet (IANA special-purpose registries, RFC 6890 and RFC 4291; from memory). */
const inside = new BlockList();
for (const [net, bits] of [
  ['0.0.0.0', 8],
  ['10.0.0.0', 8],
  ['100.64.0.0', 10],
  ['127.0.0.0', 8],
  ['169.254.0.0', 16],
  ['172.16.0.0', 12],
  ['192.0.0.0', 24],
  ['192.168.0.0', 16],
  ['198.18.0.0', 15],
  ['224.0.0.0', 4],
  ['240.0.0.0', 4],
] as const)
  inside.addSubnet(net, bits, 'ipv4');
for (const [net, bits] of [
  ['::', 128],
  ['::1', 128],
  ['64:ff9b::', 96],
  ['fc00::', 7],
  ['fe80::', 10],
  ['ff00::', 8],
] as const)
  inside.addSubnet(net, bits, 'ipv6');

/** Is an address of a machine one of this network, or of this machine? An IPv4 address in the clothes of IPv6 is itself. */
export function isInside(address: string): boolean {
  const mapped = /^::ffff:(\d+\.\d+\.\d+\.\d+)$/i.exec(address)?.[1];
  if (mapped !== undefined) return isInside(mapped);
  return inside.check(address, isIPv6(address) ? 'ipv6' : 'ipv4');
}

class Inside extends Error {}

/** Looks a name up and takes only what is outside: asked when the connection is made, so a name cannot change in between. */
const outsideOnly: LookupFunction = (hostname, options, done) =>
  lookup(hostname, { ...options, all: true }, (error, found) => {
    if (error) return done(error, '', 4);
    const outside = found.filter(({ address }) => !isInside(address));
    if (outside.length === 0) return done(new Inside(), '', 4);
    return options.all
      ? (done as (error: null, all: typeof outside) => void)(null, outside)
      : done(null, outside[0]!.address, outside[0]!.family);
  });

const INSIDE: WebhookAnswer = {
  kind: 'refused',
  note: 'The address is of this network. Whoever runs the machine can allow that (IMPEGNO_WEBHOOKS_INSIDE).',
};

/**
 * Brings news over HTTP: it follows nowhere, waits ten seconds, and reads nothing but the status.
 * @param allowed whether addresses of this network, and ones without TLS, are asked too
 */
export const httpWebhookPost = (allowed: { readonly inside: boolean }): WebhookPost => ({
  deliver: ({ address, headers, body }) =>
    new Promise((resolve) => {
      const url = new URL(address);
      const host = url.hostname.replace(/^\[|\]$/g, '');
      if (!allowed.inside && url.protocol !== 'https:')
        return resolve({ kind: 'refused', note: 'News goes out over https only.' });
      if (!allowed.inside && isIP(host) !== 0 && isInside(host)) return resolve(INSIDE);
      const sent = (url.protocol === 'https:' ? httpsRequest : httpRequest)(
        url,
        {
          method: 'POST',
          headers: { ...headers, 'content-length': String(Buffer.byteLength(body)) },
          timeout: PATIENCE,
          signal: AbortSignal.timeout(PATIENCE),
          agent: false,
          ...(allowed.inside ? {} : { lookup: outsideOnly }),
        },
        (answer) => {
          answer.destroy();
          resolve({ kind: 'answered', status: answer.statusCode ?? 0 });
        },
      );
      sent.on('error', (error: Error & { code?: string }) =>
        resolve(
          error instanceof Inside
            ? INSIDE
            : {
                kind: 'away',
                note:
                  error.name === 'TimeoutError' || error.name === 'AbortError'
                    ? 'No answer in ten seconds.'
                    : `It could not be reached (${error.code ?? error.name}).`,
              },
        ),
      );
      sent.end(body);
      return undefined;
    }),
});

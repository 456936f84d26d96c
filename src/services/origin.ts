import { isIP } from 'node:net';

/**
 * From where a request comes, for limiting tries. What a client says of itself counts only behind a proxy that is trusted by
 * configuration (`TRUSTED_PROXIES`, addresses with commas): then it is the last address before the trusted ones.
 * @param peer the address of the other end of the connection
 * @param forwarded the header X-Forwarded-For, as it came
 */
export function originOf(peer: string, forwarded: string | null, trusted: ReadonlySet<string>): string {
  const plain = (address: string) => address.trim().replace(/^::ffff:/, '');
  const end = plain(peer);
  if (!trusted.has(end) || forwarded === null) return end;
  const hops = forwarded.slice(0, 2000).split(',').map(plain);
  for (const hop of hops.reverse()) {
    if (isIP(hop) === 0) return end;
    if (!trusted.has(hop)) return hop;
  }
  return end;
}

/** The proxies trusted by configuration. */
export const trustedProxies = (): ReadonlySet<string> =>
  new Set(
    (process.env.TRUSTED_PROXIES ?? '')
      .split(',')
      .map((each) => each.trim())
      .filter(Boolean),
  );

/** The header under which the server notes the other end of a connection; what a client sends under it is dropped. */
export const peerHeader = 'x-impegno-peer';

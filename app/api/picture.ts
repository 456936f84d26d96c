/** A kept picture as an answer. It never changes under its name, so a browser may keep it; nobody between may. */
export function picture({ type, bytes }: { readonly type: string; readonly bytes: Uint8Array }): Response {
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': type,
      'cache-control': 'private, max-age=31536000, immutable',
      'content-security-policy': `default-src 'none'`,
    },
  });
}

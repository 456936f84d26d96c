/** A file as an answer, under a name. */
export function download(body: Uint8Array | string, type: string, name: string): Response {
  return new Response(typeof body === 'string' ? body : new Uint8Array(body), {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename="${name}"`,
      'cache-control': 'private, no-store',
    },
  });
}

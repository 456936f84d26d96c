import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { logInfo, ofRequest } from './logLine';
import { countRequest } from './metrics';
import { kindOfPath, pathForLog } from './requestPath';

/** A name that a proxy gave a request, where it is one that can be written down. */
const given = (header: string | string[] | undefined) =>
  typeof header === 'string' && /^[A-Za-z0-9_-]{8,64}$/.test(header) ? header : null;

/**
 * Gives a request a name that is in every line of the log about it and in the answer, and writes down how it was answered:
 * when, what, how long; not by whom, nor what was in it. The files of the application are counted only.
 */
export function watchRequest(request: IncomingMessage, response: ServerResponse, go: () => boolean): boolean {
  const id = given(request.headers['x-request-id']) ?? randomUUID();
  const began = performance.now();
  const [url, method] = [request.url ?? '/', request.method ?? ''];
  const kind = kindOfPath(url);
  response.setHeader('x-request-id', id);
  return ofRequest.run({ id }, () => {
    response.once('close', () => {
      const milliseconds = Math.round(performance.now() - began);
      const status = response.writableFinished ? response.statusCode : 499;
      countRequest(kind, method, status, milliseconds / 1000);
      if (kind !== 'static' && process.env.IMPEGNO_PRODUCTION === '1')
        logInfo('request', { method: method.slice(0, 10), path: pathForLog(url), status, milliseconds });
    });
    return go();
  });
}

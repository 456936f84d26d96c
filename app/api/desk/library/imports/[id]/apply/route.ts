import { logMistake } from '@/services/observing/logLine';
import { applyImport } from '@/services/library/importItems';
import { Problem, respond } from '@/services/problem';
import { actionActor } from '../../../../../../session';
import { fromOwnPage, jsonBody } from '../../../../../ownPage';

/**
 * Applies an import. Answers a line of JSON for each step (`{"done": 500, "of": 50000}`) and one for the end
 * (`{"counts": …}` or `{"problem": …}`). Closing the request cancels it, and nothing of it stays.
 */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    fromOwnPage(request);
    const actor = await actionActor();
    const { id } = await params;
    const input = await jsonBody(request, 1_000_000);
    const stop = new AbortController();
    request.signal.addEventListener('abort', () => stop.abort());
    const body = new ReadableStream<Uint8Array>({
      async start(controller) {
        const say = (line: unknown) => {
          try {
            controller.enqueue(new TextEncoder().encode(`${JSON.stringify(line)}\n`));
          } catch {
            // Nobody listens any more: that is a cancellation.
            stop.abort();
          }
        };
        try {
          const counts = await applyImport(actor, id, input, {
            progress: (done, of) => say({ done, of }),
            signal: stop.signal,
          });
          say({ counts });
        } catch (error) {
          if (!(error instanceof Problem)) logMistake(error);
          say({
            problem:
              error instanceof Problem
                ? error.details
                : { detail: 'Something went wrong on our side. Nothing was changed.' },
          });
        }
        try {
          controller.close();
        } catch {
          // Closed by the other side already.
        }
      },
      cancel: () => stop.abort(),
    });
    return new Response(body, {
      headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'private, no-store' },
    });
  });
}

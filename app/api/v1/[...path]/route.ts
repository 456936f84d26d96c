import { askOperation, findOperation } from '@/services/programs/ask';
import { respond } from '@/services/problem';
import { apiActor } from '../../../session';
import { download } from '../../download';
import { fromOwnPage, jsonBody, limitedBody } from '../../ownPage';
import { picture } from '../../picture';

/** A document of five hundred lines has a twentieth of it. */
const LARGEST_JSON = 8 * 1024 * 1024;

/** Every door of the interface for programs, and for the pages where they ask for the same. */
const door = (request: Request, { params }: { params: Promise<{ path: string[] }> }) =>
  respond(async () => {
    // A browser sends its session along by itself, wherever a page is from; a program says its token.
    if (request.method !== 'GET' && !request.headers.has('authorization')) fromOwnPage(request);
    const actor = await apiActor();
    const { operation, places } = findOperation(request.method, (await params).path);
    const query = Object.fromEntries(new URL(request.url).searchParams);
    const body = operation.bytes
      ? await limitedBody(request, operation.bytes.most)
      : 'body' in operation
        ? await jsonBody(request, LARGEST_JSON)
        : undefined;
    const answer = await askOperation(actor, operation, { path: places, query, body });
    if ('file' in answer) {
      const { body: bytes, type, name } = answer.file;
      return name === null ? picture({ type, bytes: bytes as Uint8Array }) : download(bytes, type, name);
    }
    const headers = { 'cache-control': 'private, no-store' };
    return answer.status === 204
      ? new Response(null, { status: 204, headers })
      : Response.json(answer.json, { status: answer.status, headers });
  });

export { door as DELETE, door as GET, door as POST, door as PUT };

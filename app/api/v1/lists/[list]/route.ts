import { listFile } from '@/services/downloads/lists';
import { respond } from '@/services/problem';
import { apiActor } from '../../../../session';
import { download } from '../../../download';

/** A list as it is filtered, as CSV or (`?format=xlsx`) XLSX; the other parameters are those of the list's page. */
export const GET = (request: Request, { params }: { params: Promise<{ list: string }> }) =>
  respond(async () => {
    const { list } = await params;
    const parameters = Object.fromEntries(new URL(request.url).searchParams);
    const file = await listFile(await apiActor(), list, parameters);
    return download(file.body, file.type, file.name);
  });

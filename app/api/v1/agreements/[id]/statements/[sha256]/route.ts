import { readSignedStatement } from '@/services/booklet/certificate';
import { respond } from '@/services/problem';
import { apiActor } from '../../../../../../session';
import { download } from '../../../../../download';

/** The statement that was signed, as the file whose SHA-256 stands on the certificate. */
export const GET = (_: Request, { params }: { params: Promise<{ id: string; sha256: string }> }) =>
  respond(async () => {
    const { id, sha256 } = await params;
    const statement = await readSignedStatement(await apiActor(), id, sha256);
    return download(statement, 'application/json', `signed-${sha256.slice(0, 12)}.json`);
  });

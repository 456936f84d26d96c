import { databaseAnswers, isStopping } from '@/services/background/health';

export const dynamic = 'force-dynamic';

/** Says that this is Impegno and lives; ready only while its database answers too and it does not end (503 else). */
export async function GET() {
  const answers = await databaseAnswers();
  const ready = answers && !isStopping();
  return Response.json(
    { application: 'impegno', live: true, ready, database: answers ? 'answers' : 'does not answer' },
    { status: ready ? 200 : 503, headers: { 'cache-control': 'no-store' } },
  );
}

import { databaseAnswers } from '@/services/health';

export const dynamic = 'force-dynamic';

/** Says that this is Impegno and lives; ready only when its database answers too (503 while it does not). */
export async function GET() {
  const ready = await databaseAnswers();
  return Response.json(
    { application: 'impegno', live: true, ready, database: ready ? 'answers' : 'does not answer' },
    { status: ready ? 200 : 503, headers: { 'cache-control': 'no-store' } },
  );
}

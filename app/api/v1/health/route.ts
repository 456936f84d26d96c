export const dynamic = 'force-dynamic';

/** Says that this is Impegno, for the start command. */
export function GET() {
  return Response.json({ application: 'impegno' });
}

import type { IncomingMessage } from 'node:http';

/**
 * When the server has started: requests carry where they come from, the database is asked as a login that rules bind, and
 * reminders that companies want sent by themselves go out from here, each once. Where a set-up asks for a key, it is said.
 */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.NODE_ENV === 'test') return;
  const { Server } = await import('node:http');
  const { peerHeader } = await import('@/services/origin');
  // Route handlers do not see the connection: its other end is noted on each request, over whatever a client claims.
  const emit = Server.prototype.emit;
  Server.prototype.emit = function (
    this: InstanceType<typeof Server>,
    event: string | symbol,
    ...args: unknown[]
  ) {
    if (event === 'request') {
      const request = args[0] as IncomingMessage;
      request.headers[peerHeader] = request.socket.remoteAddress ?? 'direct';
    }
    return Reflect.apply(emit, this, [event, ...args]) as boolean;
  };
  const { onlyAsServer, refusePower, TooMuchPower } = await import('@/data/connection');
  onlyAsServer();
  if ((process.env.IMPEGNO_SECRET ?? '').length < 20) {
    process.stderr.write(
      'IMPEGNO_SECRET is not set: a secret of at least 20 characters, kept out of the database.\n',
    );
    process.exit(1);
  }
  // A database that does not answer yet is asked when it does.
  await refusePower().catch((error: unknown) => {
    if (!(error instanceof TooMuchPower)) return;
    process.stderr.write(`${error.message}\n`);
    process.exit(1);
  });
  const { readSetUp, setUpKey } = await import('@/services/entering/setUp');
  const key = setUpKey();
  const empty = key !== null && (await readSetUp().catch(() => null))?.open;
  if (empty) process.stdout.write(`No company is set up yet. The key of the set-up: ${key}\n`);
  const { remindByItself } = await import('@/services/billing/reminders');
  const { runPeriodically } = await import('@/services/runPeriodically');
  runPeriodically(() => remindByItself(new Date()), {
    first: 60_000,
    every: 3600_000,
    tell: (error) => console.error(error),
  });
}

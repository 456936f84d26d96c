import type { IncomingMessage, Server as HttpServer, ServerResponse } from 'node:http';

/**
 * When the server has started: requests carry where they come from, are named and counted; the database is asked as a login
 * that rules bind; the queue is worked on (letters, and reminders that companies want sent by themselves). Where a set-up
 * asks for a key, it is said.
 */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.NODE_ENV === 'test') return;
  const { Server } = await import('node:http');
  const { peerHeader } = await import('@/services/origin');
  const { watchRequest } = await import('@/services/observing/watchRequest');
  const { logMistake } = await import('@/services/observing/logLine');
  const { beginCounting } = await import('@/services/observing/metrics');
  beginCounting();
  const servers = new Set<HttpServer>();
  // Route handlers do not see the connection: its other end is noted on each request, over whatever a client claims.
  const emit = Server.prototype.emit;
  Server.prototype.emit = function (
    this: InstanceType<typeof Server>,
    event: string | symbol,
    ...args: unknown[]
  ) {
    if (event === 'request') {
      servers.add(this);
      const request = args[0] as IncomingMessage;
      request.headers[peerHeader] = request.socket.remoteAddress ?? 'direct';
      return watchRequest(
        request,
        args[1] as ServerResponse,
        () => Reflect.apply(emit, this, [event, ...args]) as boolean,
      );
    }
    return Reflect.apply(emit, this, [event, ...args]) as boolean;
  };
  const { onlyAsServer, refusePower, TooMuchPower } = await import('@/data/connection');
  onlyAsServer();
  const { configurationFaults } = await import('@/services/configuration');
  const wrong = configurationFaults(process.env);
  if (wrong.length > 0) {
    process.stderr.write(`${wrong.join('\n')}\n`);
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
  const { queueInBackground } = await import('@/services/background/inBackground');
  const queue = queueInBackground(logMistake);
  if (process.env.NEXT_MANUAL_SIG_HANDLE === undefined) return;
  const { isStopping, stopInOrder } = await import('@/services/background/stopping');
  for (const signal of ['SIGTERM', 'SIGINT'] as const)
    process.on(signal, () => {
      if (!isStopping()) void stopInOrder(servers, [queue.stop]).then(() => process.exit(0));
    });
}

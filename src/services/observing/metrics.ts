import { AggregatorRegistry, Counter, Gauge, Histogram, collectDefaultMetrics } from 'prom-client';
import { countQueue } from '@/data/queue/counts';

/* What is counted of a server, in the open text format of Prometheus. A supervisor adds up its processes. */

interface Meters {
  readonly requests: Counter<'kind' | 'method' | 'status'>;
  readonly seconds: Histogram<'kind'>;
  readonly mistakes: Counter;
}

const METHODS = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']);

const made = (): Meters => {
  collectDefaultMetrics();
  // It listens for the supervisor, which asks each of its processes for what it counted.
  if (process.send) new AggregatorRegistry();
  new Gauge({
    name: 'impegno_queue_jobs',
    help: 'What is in the queue, by what is to be done and how it stands',
    labelNames: ['queue', 'state'],
    // Every process sees the same queue.
    aggregator: 'first',
    async collect() {
      this.reset();
      for (const { name, state, count } of await countQueue().catch(() => []))
        this.set({ queue: name, state }, count);
    },
  });
  return {
    requests: new Counter({
      name: 'impegno_http_requests_total',
      help: 'Requests answered',
      labelNames: ['kind', 'method', 'status'],
    }),
    seconds: new Histogram({
      name: 'impegno_http_request_seconds',
      help: 'How long requests took',
      labelNames: ['kind'],
      buckets: [0.01, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10, 30],
    }),
    mistakes: new Counter({ name: 'impegno_mistakes_total', help: 'Mistakes of ours, each in the log' }),
  };
};

const holder = globalThis as { impegnoMeters?: Meters };
const meters = (): Meters => (holder.impegnoMeters ??= made());

/** Begins to count. */
export const beginCounting = (): void => void meters();

/** Counts a request that was answered. @param seconds how long it took */
export function countRequest(kind: string, method: string, status: number, seconds: number): void {
  const known = METHODS.has(method) ? method : 'other';
  meters().requests.inc({ kind, method: known, status: `${Math.floor(status / 100)}xx` });
  meters().seconds.observe({ kind }, seconds);
}

/** Counts a mistake of ours, where anything is counted. */
export const countMistake = (): void => holder.impegnoMeters?.mistakes.inc();

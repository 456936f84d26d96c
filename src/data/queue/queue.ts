import { sql } from 'drizzle-orm';
import { Pool } from 'pg';
import PgBoss from 'pg-boss';
import { refusePower } from '../connection';
import type { Transaction } from '../connection';
import type { Queue, Work } from './queues';
import { queues } from './queues';

/** Where the queue's own tables are. */
const SCHEMA = 'pgboss';

/** Seconds until the first repetition; each further one waits twice as long. */
const FIRST_WAIT = 30;

/** One thing to do, and which try it is. */
export interface Task<Q extends Queue> {
  readonly id: string;
  readonly work: Work[Q];
  /** From 1. */
  readonly attempt: number;
  /** Nobody tries again after this one. */
  readonly last: boolean;
}

/** What does the work of each queue; what it throws is tried again. */
export type Workers = { readonly [Q in Queue]: (task: Task<Q>) => Promise<void> };

const asText = (value: unknown) =>
  typeof value === 'object' && value !== null ? JSON.stringify(value) : (value ?? null);

/** SQL with numbered places, asked inside a transaction. */
const within = (tx: Transaction): PgBoss.Db => ({
  executeSql: async (text, values) => {
    const parts = text
      .split(/\$(\d+)/)
      .map((part, i) => (i % 2 === 0 ? sql.raw(part) : sql`${asText(values[Number(part) - 1])}`));
    return { rows: (await tx.execute(sql.join(parts))).rows };
  },
});

// For putting things in the queue alone: never started, it asks nothing by itself.
let writer: PgBoss | null = null;
const nothing: PgBoss.Db = {
  executeSql: () => Promise.reject(new Error('The queue is written in a transaction.')),
};

/**
 * Puts a thing to do in the queue, in the transaction of its cause: it is done if that is stored, and never if not.
 * @param id names it: put in twice, it is done once
 */
export async function putInQueue<Q extends Queue>(
  tx: Transaction,
  queue: Q,
  id: string,
  work: Work[Q],
): Promise<void> {
  writer ??= new PgBoss({ db: nothing, schema: SCHEMA });
  await writer.send(queue, work, {
    id,
    db: within(tx),
    retryLimit: queues[queue].tries - 1,
    retryDelay: FIRST_WAIT,
    retryBackoff: true,
    expireInSeconds: queues[queue].patience,
  });
}

/** Takes a thing that nobody tries any more out of the queue, so that it can be put in anew. */
export async function takeFromQueue(tx: Transaction, queue: Queue, id: string): Promise<void> {
  await tx.execute(sql`delete from pgboss.job where name = ${queue} and id = ${id} and state <> 'active'`);
  await tx.execute(sql`delete from pgboss.archive where name = ${queue} and id = ${id}`);
}

/**
 * Makes the queue's tables, or brings them up to date, as the owner of the database. Safe to run twice.
 * @param ownerUrl how whoever keeps the database logs in
 */
export async function installQueue(ownerUrl: string): Promise<void> {
  const boss = new PgBoss({
    ...{ connectionString: ownerUrl, schema: SCHEMA, max: 1 },
    ...{ supervise: false, schedule: false },
  });
  await boss.start();
  try {
    for (const name of Object.keys(queues)) await boss.createQueue(name, { name, policy: 'standard' });
    // Its own queue of the clock is made where the clock first runs; the server may make no tables.
    await boss.createQueue('__pgboss__send-it', { name: '__pgboss__send-it', policy: 'standard' });
    const db = boss.getDb();
    await db.executeSql(`grant usage on schema ${SCHEMA} to impegno_app`, []);
    await db.executeSql(
      `grant select, insert, update, delete on all tables in schema ${SCHEMA} to impegno_app`,
      [],
    );
    await db.executeSql(`grant execute on all functions in schema ${SCHEMA} to impegno_app`, []);
    await db.executeSql(
      `revoke execute on function ${SCHEMA}.delete_queue(text) from impegno_app, public`,
      [],
    );
  } finally {
    await boss.stop({ graceful: false });
  }
}

/** A queue that is worked on in this process. */
export interface RunningQueue {
  /** What is begun is finished, up to some seconds; nothing new is begun. */
  stop(): Promise<void>;
}

/**
 * Works on the queue in this process, a thing of each kind at a time; any number of processes may.
 * @param tell is told what went wrong with the queue itself
 * @param clock things done by the clock, as minute, hour, day, month and day of the week (UTC)
 */
export async function workOnQueue(
  workers: Workers,
  {
    tell,
    clock = {},
    poll = 2,
  }: {
    readonly tell: (error: unknown) => void;
    readonly clock?: Partial<Record<Queue, string>>;
    /** Seconds from one look to the next. */
    readonly poll?: number;
  },
): Promise<RunningQueue> {
  await refusePower();
  const pool = new Pool({
    connectionString: process.env.DATABASE_URL,
    max: 3,
    connectionTimeoutMillis: 10_000,
    // The login may do nothing by itself; what it may become sees no row of a company unasked.
    options: '-c role=impegno_app -c lock_timeout=5000 -c statement_timeout=60000',
  });
  pool.on('error', () => undefined);
  const boss = new PgBoss({
    db: { executeSql: (text, values) => pool.query(text, values) },
    ...{ schema: SCHEMA, migrate: false, maintenanceIntervalSeconds: Math.ceil(poll * 15) },
    ...{ archiveCompletedAfterSeconds: 24 * 3600, deleteAfterDays: 30 },
  });
  boss.on('error', tell);
  await boss.start();
  for (const [queue, cron] of Object.entries(clock))
    await boss.schedule(queue, cron, undefined, { tz: 'UTC' });
  for (const queue of Object.keys(queues) as Queue[]) {
    const worker: string = await boss.work<Work[Queue]>(
      queue,
      { includeMetadata: true, batchSize: 1, pollingIntervalSeconds: poll },
      async ([job]) => {
        if (!job) return;
        const work = workers[queue] as (task: Task<Queue>) => Promise<void>;
        try {
          await work({
            ...{ id: job.id, work: job.data, attempt: job.retryCount + 1 },
            last: job.retryCount >= job.retryLimit,
          });
        } finally {
          // What else waits need not wait for the next look.
          boss.notifyWorker(worker);
        }
      },
    );
  }
  return {
    stop: async () => {
      await boss.stop({ graceful: true, timeout: 10_000 });
      await pool.end();
    },
  };
}

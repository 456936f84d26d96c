import { sql } from 'drizzle-orm';
import type { NodePgDatabase } from 'drizzle-orm/node-postgres';
import { drizzle } from 'drizzle-orm/node-postgres';
import { Pool, types } from 'pg';
import type { Permission } from '@/model';
import * as schema from './schema';

const POOL = Number(process.env.DATABASE_POOL ?? 10);
/** How many transactions one company may have open in this process: some connections are always left for the others. */
const PER_COMPANY = Math.max(1, POOL - 3);
const PATIENCE = 10_000;

/** Nobody got a turn in time: others of the same company are at work. */
export class CompanyBusy extends Error {
  readonly code = '55P03';
}

interface Gate {
  open: number;
  readonly waiting: (() => void)[];
}
const gates = new Map<string, Gate>();

/** Runs work when the company has a turn; turns go in order. @throws CompanyBusy after some seconds */
async function inTurn<T>(companyId: string, work: () => Promise<T>): Promise<T> {
  const gate = gates.get(companyId) ?? { open: 0, waiting: [] };
  gates.set(companyId, gate);
  if (gate.open >= PER_COMPANY)
    await new Promise<void>((go, give) => {
      const timer = setTimeout(() => {
        gate.waiting.splice(gate.waiting.indexOf(turn), 1);
        give(new CompanyBusy('Others of this company are at work.'));
      }, PATIENCE);
      const turn = () => {
        clearTimeout(timer);
        go();
      };
      gate.waiting.push(turn);
    });
  else gate.open += 1;
  try {
    return await work();
  } finally {
    // A turn is handed on, or given back.
    const next = gate.waiting.shift();
    if (next) next();
    else gate.open -= 1;
    if (gate.open === 0 && gates.get(companyId) === gate) gates.delete(companyId);
  }
}

export type Database = NodePgDatabase<typeof schema>;
/** An open transaction. Every query takes one, so that nothing is half-stored. */
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

// A business date is not an instant: it stays the text it is.
types.setTypeParser(types.builtins.DATE, (text) => text);

interface Connection {
  readonly pool: Pool;
  readonly database: Database;
}

// Kept on the global object, so that a development reload does not open a second pool.
const holder = globalThis as { impegnoConnection?: Connection; impegnoGuarded?: boolean };

function connection(): Connection {
  if (!holder.impegnoConnection) {
    const url = process.env.DATABASE_URL;
    if (!url) throw new Error('DATABASE_URL is not set.');
    const pool = new Pool({
      connectionString: url,
      max: POOL,
      // Who waits longer than this for a connection, a lock or an answer is told so; nobody makes everybody wait.
      connectionTimeoutMillis: 10_000,
      options: '-c lock_timeout=5000 -c statement_timeout=60000 -c idle_in_transaction_session_timeout=60000',
    });
    // A connection that breaks while idle is replaced by the pool; it must not end the process.
    pool.on('error', () => undefined);
    holder.impegnoConnection = { pool, database: drizzle(pool, { schema }) };
  }
  return holder.impegnoConnection;
}

/** Closes the pool, for scripts and tests. */
export async function closeConnection(): Promise<void> {
  await holder.impegnoConnection?.pool.end();
  delete holder.impegnoConnection;
}

/** The server's login may pass rules that no SQL of the server is to pass. */
export class TooMuchPower extends Error {}

/** How a login without the rights it must not have is told from others. Asked once, where `onlyAsServer` was called. */
let modest: Promise<void> | null = null;

/** From now on nothing is asked of the database under a login that owns it, or that rules do not bind. */
export function onlyAsServer(): void {
  modest = null;
  holder.impegnoGuarded = true;
}

/** Asks once whether the login is one that rules bind. @throws TooMuchPower when it is not */
export async function refusePower(): Promise<void> {
  if (!holder.impegnoGuarded) return;
  modest ??= connection()
    .pool.query<{ login: string; much: boolean }>(
      `select session_user as login, r.rolsuper or r.rolbypassrls or r.rolcreaterole or exists (
         select 1 from pg_class c where c.relnamespace = 'public'::regnamespace and pg_has_role(session_user, c.relowner, 'MEMBER')
       ) as much from pg_roles r where r.rolname = session_user`,
    )
    .then(({ rows }) => {
      if (rows[0]?.much !== false)
        throw new TooMuchPower(
          `The server logs in to the database as ${rows[0]?.login ?? 'nobody known'}, which owns it or is bound by no rule. DATABASE_URL names the login of the server; npm run roles makes it.`,
        );
    });
  try {
    await modest;
  } catch (error) {
    // A database that did not answer is asked again.
    if (!(error instanceof TooMuchPower)) modest = null;
    throw error;
  }
}

/** What row level security goes by; what is left out is nobody and nothing. */
interface Scope {
  readonly companyId?: string;
  /** Whose own work alone is seen. */
  readonly seller?: string;
  readonly personId?: string;
}

/** A transaction under the application's role, with row level security set to a scope. */
async function asApp<T>(
  { companyId = '', seller = '', personId = '' }: Scope,
  work: (tx: Transaction) => Promise<T>,
): Promise<T> {
  await refusePower();
  return connection().database.transaction(async (tx) => {
    await tx.execute(
      sql`select set_config('role', 'impegno_app', true), set_config('app.company', ${companyId}, true),
        set_config('app.seller', ${seller}, true), set_config('app.person', ${personId}, true)`,
    );
    return work(tx);
  });
}

/** Somebody of a company, who may see everybody's work or their own. */
export interface Asker {
  readonly companyId: string;
  readonly userId: string;
  readonly permissions: readonly Permission[];
}

/**
 * A transaction inside one company: under the application's role, with row level security set to the company, and to a
 * person's own work where they may see no other. Whatever fails inside takes everything back.
 * @param asker who asks; the company alone where nobody of it does
 */
export function inCompany<T>(asker: string | Asker, work: (tx: Transaction) => Promise<T>): Promise<T> {
  const companyId = typeof asker === 'string' ? asker : asker.companyId;
  const all = typeof asker === 'string' || asker.permissions.includes('allProposals');
  const scope = all ? { companyId } : { companyId, seller: asker.userId };
  return inTurn(companyId, () => asApp(scope, work));
}

/** A transaction of a person by themselves, in no company: what is theirs alone is seen and changed. */
export function asPerson<T>(personId: string, work: (tx: Transaction) => Promise<T>): Promise<T> {
  return asApp({ personId }, work);
}

/** Whether the database answers, and may be asked. */
export async function databaseAnswers(): Promise<boolean> {
  try {
    await refusePower();
    await connection().pool.query('select 1');
    return true;
  } catch {
    return false;
  }
}

/** A transaction of a person who becomes one of a company. */
export function asNewcomer<T>(
  personId: string,
  companyId: string,
  work: (tx: Transaction) => Promise<T>,
): Promise<T> {
  return inTurn(companyId, () => asApp({ companyId, personId }, work));
}

/** A transaction before the company is known: no row of any company is seen. For `before.ts`, and for counting tries. */
export function beforeCompany<T>(work: (tx: Transaction) => Promise<T>): Promise<T> {
  return asApp({}, work);
}

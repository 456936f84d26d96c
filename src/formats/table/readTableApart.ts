import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { Table } from './table';
import { TableError } from './table';

/** How much memory reading a list may take, in MB; fifty thousand rows take about a third of it. */
const MEMORY = 400;
/** How long it may take, in milliseconds. */
const TIME = 60_000;
/** How many lists are read at once; others wait their turn. */
const AT_ONCE = 2;

let reading = 0;
const waiting: (() => void)[] = [];

const entry = path.join(process.cwd(), 'src', 'formats', 'table', 'tableWorker.mjs');

function readOnce(bytes: Uint8Array, { memory, time }: { memory: number; time: number }): Promise<Table> {
  return new Promise((resolve, reject) => {
    // Built so that the bundler does not take the thread's file for one of its own: it runs from the sources.
    const worker = Reflect.construct(Worker, [
      entry,
      {
        workerData: bytes,
        execArgv: [],
        // What it says of its own troubles is nobody's business; what it answers is.
        stderr: true,
        resourceLimits: { maxOldGenerationSizeMb: memory, maxYoungGenerationSizeMb: 32 },
      },
    ]) as Worker;
    const timer = setTimeout(() => {
      void worker.terminate();
      reject(new TableError('This file takes far too long to read. Save it again as CSV, or divide it.'));
    }, time);
    worker.once('message', (answer: { table: Table } | { refused: string }) => {
      if ('table' in answer) resolve(answer.table);
      else reject(new TableError(answer.refused));
    });
    worker.once('error', (error: Error & { code?: string }) => {
      reject(
        error.code === 'ERR_WORKER_OUT_OF_MEMORY'
          ? new TableError('This file unpacks to far more than a list. Save it again as CSV, or divide it.')
          : error,
      );
    });
    worker.once('exit', () => {
      clearTimeout(timer);
      reject(new TableError('This file cannot be read. Save it again as CSV.'));
    });
  });
}

/**
 * Reads a list in a thread of its own, with limits of memory and time: a file made to break the reader breaks only that.
 * @throws TableError with a sentence for a file that is no list, or more than one
 */
export async function readTableApart(
  bytes: Uint8Array,
  limits: { memory: number; time: number } = { memory: MEMORY, time: TIME },
): Promise<Table> {
  if (reading >= AT_ONCE) await new Promise<void>((go) => waiting.push(go));
  else reading += 1;
  try {
    return await readOnce(bytes, limits);
  } finally {
    const next = waiting.shift();
    if (next) next();
    else reading -= 1;
  }
}

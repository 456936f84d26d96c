import { parentPort, workerData } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

/* Reads one list, apart from the server: whatever the file does to this thread, the server lives. */

register();
const { readTable } = await import('./readTable.ts');
const { TableError } = await import('./table.ts');

const answer = await readTable(workerData).then(
  (table) => ({ table }),
  (error) => {
    if (error instanceof TableError) return { refused: error.message };
    throw error;
  },
);
parentPort.postMessage(answer);

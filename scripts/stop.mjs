// npm stop: ends every start of this folder, server and database.
import { clusterUsers, say, stopCluster } from './machine.mjs';

const running = () => clusterUsers().filter((pid) => pid !== process.pid);
for (const pid of running()) process.kill(pid, 'SIGTERM');
for (let tries = 0; tries < 60 && running().length > 0; tries += 1)
  await new Promise((resolve) => setTimeout(resolve, 250));
stopCluster();
say('Stopped.');

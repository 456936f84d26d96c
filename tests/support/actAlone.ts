// One act in a process of its own, that is meant to be killed while it is at it.
import type { Actor } from '@/services/actor';
import { setUp } from '@/services/entering/setUp';
import { invite } from '@/services/people/invite';

const { act, actor, input } = JSON.parse(process.argv[2]!) as {
  readonly act: 'set up' | 'invite';
  readonly actor: Actor | null;
  readonly input: unknown;
};
const now = new Date();
if (act === 'invite') await invite({ ...actor!, now }, input);
else await setUp(input, { browser: 'test', from: `alone ${process.pid}`, device: undefined } as never, now);
process.stdout.write('done\n');

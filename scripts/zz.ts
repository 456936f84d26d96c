import { mailServer } from '../tests/support/mailServer';
import net from 'node:net';
const s = await mailServer({ slow: Number(process.env.SLOW ?? 0) });
net
  .createServer((c) => {
    const o = net.connect(s.port, '127.0.0.1');
    c.pipe(o).pipe(c);
    c.on('error', () => 0);
    o.on('error', () => 0);
  })
  .listen(2525, '127.0.0.1');
let n = 0;
setInterval(() => {
  while (n < s.received.length) {
    const r = s.received[n++]!;
    process.stdout.write(
      `${new Date().toISOString()} ${r.from} -> ${r.to.join()} : ${r.letter.subject} | ${r.letter.from?.name} | ${r.letter.text?.slice(0, 160).replaceAll('\n', ' / ')}\n`,
    );
  }
}, 200);
